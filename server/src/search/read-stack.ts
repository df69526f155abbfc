import { originalPositionFor, TraceMap } from '@jridgewell/trace-mapping';
import type { Frame } from '@toplens/core/pages';
import { withoutQuery } from '@toplens/core/telemetry';
import { parse } from 'stacktrace-parser';
import type { Database } from '../store/database';
import { loadSourceMap } from '../store/pages';

const MOST_FRAMES = 20;

export interface ReadStack {
  frames: Frame[];
  /** at least one frame was read through a source map */
  isMapped: boolean;
}

/** Frames of a stack as a browser writes it; none for what is no stack. */
const framesOf = (stack: string): Frame[] =>
  parse(stack)
    .slice(0, MOST_FRAMES)
    .map(({ file, lineNumber, column, methodName }) => ({
      file: file ?? '',
      line: lineNumber ?? 0,
      column: column ?? 0,
      method: methodName === '<unknown>' ? '' : methodName,
    }));

const lastPart = (path: string): string => withoutQuery(path).split('/').at(-1) ?? '';

/** Reads stacks through the source maps that were uploaded; each map is read from the database once. */
export class StackReader {
  readonly #maps = new Map<string, Promise<TraceMap | undefined>>();

  constructor(private readonly database: Database) {}

  /** Without a map a frame stays as the browser told it. */
  async read({ component, version, stack }: { component: string; version: string; stack: string }): Promise<ReadStack> {
    const told = framesOf(stack);
    const found = await Promise.all(
      told.map(async ({ file, line, column }) => {
        const map = await this.#mapOf(component, version, lastPart(file));
        // Stacks count columns from 1, source maps from 0.
        return map && line > 0 ? originalPositionFor(map, { line, column: Math.max(0, column - 1) }) : undefined;
      }),
    );
    const frames = told.map((frame, i): Frame => {
      const place = found[i];
      if (!place || place.source === null) return frame;
      // A map knows what is called at a place: what the frame below calls there is what this frame is in.
      return { file: place.source, line: place.line, column: place.column + 1, method: found[i + 1]?.name ?? '' };
    });
    return { frames, isMapped: found.some((place) => place !== undefined && place.source !== null) };
  }

  #mapOf(component: string, version: string, file: string): Promise<TraceMap | undefined> {
    const key = [component, version, file].join('\u001f');
    const known = this.#maps.get(key);
    if (known) return known;
    const map = loadSourceMap(this.database, { component, version, file }).then((text) => (text === undefined ? undefined : new TraceMap(text)));
    this.#maps.set(key, map);
    return map;
  }
}
