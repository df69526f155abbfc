import { originalPositionFor, TraceMap } from '@jridgewell/trace-mapping';
import type { Frame } from '@toplens/core/pages';
import { withoutQuery } from '@toplens/core/telemetry';
import { parse } from 'stacktrace-parser';
import { LRUCache } from 'lru-cache';
import type { Database } from '../store/database';
import { loadSourceMap } from '../store/pages';

const MOST_FRAMES = 20;

export interface ReadStack {
  frames: Frame[];
  /** at least one frame was read through a source map */
  isMapped: boolean;
}

/** Longer lines are cut: the expressions of the parser take more than their length in time. */
const LONGEST_LINE = 400;
/** Text of the maps that are held ready; read, a map takes some twenty times its text. */
const MAPS_BYTES = 32 * 1024 * 1024;

/** Frames of a stack as a browser writes it; none for what is no stack. */
const framesOf = (stack: string): Frame[] =>
  parse(shortened(stack))
    .slice(0, MOST_FRAMES)
    .map(({ file, lineNumber, column, methodName }) => ({
      file: file ?? '',
      line: lineNumber ?? 0,
      column: column ?? 0,
      method: methodName === '<unknown>' ? '' : methodName,
    }));

const shortened = (stack: string): string =>
  stack
    .split('\n', 2 * MOST_FRAMES)
    .map((line) => line.slice(0, LONGEST_LINE))
    .join('\n');

const lastPart = (path: string): string => withoutQuery(path).split('/').at(-1) ?? '';

/** Reads stacks through the source maps that were uploaded, one map at a time; those used last are held ready. */
export class StackReader {
  readonly #maps = new LRUCache<string, { map: TraceMap | undefined }>({ maxSize: MAPS_BYTES });
  #turn: Promise<unknown> = Promise.resolve();

  constructor(private readonly database: Database) {}

  /** Without a map a frame stays as the browser told it. */
  async read({ component, version, stack }: { component: string; version: string; stack: string }): Promise<ReadStack> {
    const told = framesOf(stack);
    const found: (ReturnType<typeof originalPositionFor> | undefined)[] = [];
    for (const { file, line, column } of told) {
      const map = await this.#mapOf(component, version, lastPart(file));
      // Stacks count columns from 1, source maps from 0.
      found.push(map && line > 0 ? originalPositionFor(map, { line, column: Math.max(0, column - 1) }) : undefined);
    }
    const frames = told.map((frame, i): Frame => {
      const place = found[i];
      if (!place || place.source === null) return frame;
      // A map knows what is called at a place: what the frame below calls there is what this frame is in.
      return { file: place.source, line: place.line, column: place.column + 1, method: found[i + 1]?.name ?? '' };
    });
    return { frames, isMapped: found.some((place) => place !== undefined && place.source !== null) };
  }

  /** One is read at a time: several at once would be more than the memory there is. */
  #mapOf(component: string, version: string, file: string): Promise<TraceMap | undefined> {
    const key = [component, version, file].join('\u001f');
    const turn = this.#turn.then(async () => {
      const known = this.#maps.get(key);
      if (known) return known.map;
      const text = await loadSourceMap(this.database, { component, version, file });
      const map = text === undefined ? undefined : new TraceMap(text);
      this.#maps.set(key, { map }, { size: Math.max(1_000, text?.length ?? 0) });
      return map;
    });
    this.#turn = turn.catch(() => undefined);
    return turn;
  }
}
