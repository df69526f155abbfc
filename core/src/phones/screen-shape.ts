import { RecordRefused } from '../telemetry';

/** Kinds of what stands on a screen; what it says is never sent. */
export const SCREEN_PART_KINDS = ['text', 'button', 'picture', 'field', 'list'] as const;
export type ScreenPartKind = (typeof SCREEN_PART_KINDS)[number];

/** A rectangle on a screen, in the screen's own points from its upper left corner. */
export interface ScreenPart {
  kind: ScreenPartKind;
  x: number;
  y: number;
  width: number;
  height: number;
}

/** What a screen looked like: rectangles, and no content. */
export interface ScreenShape {
  width: number;
  height: number;
  parts: ScreenPart[];
}

const MOST_PARTS = 150;
const LARGEST = 10_000;

/**
 * The shape of a screen as JSON: `{ "width", "height", "parts": [[kind, x, y, width, height], …] }`.
 *
 * @throws RecordRefused naming what is wrong
 */
export function readShape(text: string): ScreenShape {
  const refuse = (why: string): never => {
    throw new RecordRefused(`toplens.shape: ${why}`);
  };
  let told: unknown;
  try {
    told = JSON.parse(text);
  } catch {
    return refuse('not JSON, or longer than 8,000 characters');
  }
  const { width, height, parts } = (told ?? {}) as { width?: unknown; height?: unknown; parts?: unknown };
  if (!isSize(width) || !isSize(height)) return refuse(`width and height: expected numbers from 1 to ${LARGEST}`);
  if (!Array.isArray(parts)) return refuse('parts: expected a list');
  if (parts.length > MOST_PARTS) return refuse(`parts: ${MOST_PARTS} at most`);
  return {
    width,
    height,
    parts: (parts as unknown[]).map((part) => {
      const [kind, x, y, w, h] = Array.isArray(part) ? (part as unknown[]) : [];
      const isKind = SCREEN_PART_KINDS.includes(kind as ScreenPartKind);
      if (!isKind || ![x, y, w, h].every((one) => typeof one === 'number' && Math.abs(one) <= LARGEST))
        return refuse(`parts: expected [${SCREEN_PART_KINDS.join(' | ')}, x, y, width, height]`);
      return { kind, x, y, width: w, height: h } as ScreenPart;
    }),
  };
}

const isSize = (value: unknown): value is number => typeof value === 'number' && value >= 1 && value <= LARGEST;
