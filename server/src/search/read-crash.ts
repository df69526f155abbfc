import { crashGroupKey, NameMapping, stackFrames, type StackFrame } from '@toplens/core/phones';
import { LRUCache } from 'lru-cache';
import type { Database } from '../store/database';
import { loadMapping, type StoredCrash } from '../store/phones';
import { shortHash } from '../names/short-hash';
import { StackReader } from './read-stack';

export interface ReadCrash {
  /** of its group, 16 hexadecimal digits */
  group: string;
  frames: StackFrame[];
  /** names were restored by an uploaded mapping or source map */
  isRestored: boolean;
}

/** Text of the mappings that are held ready. */
const MAPPINGS_BYTES = 64 * 1024 * 1024;
const OTHERS_CODE = /node_modules|^\[native code\]/;

/** Restores the names in stacks of crashes and tells their group; thousands of crashes have a few dozen stacks. */
export class CrashReader {
  readonly #mappings = new LRUCache<string, { mapping: NameMapping | undefined }>({ maxSize: MAPPINGS_BYTES });
  readonly #read = new Map<string, ReadCrash>();
  readonly #scripts: StackReader;

  constructor(private readonly database: Database) {
    this.#scripts = new StackReader(database);
  }

  async read(
    crash: Pick<StoredCrash, 'component' | 'application' | 'version' | 'type' | 'message' | 'stack'>,
  ): Promise<ReadCrash> {
    const { component, application, version, type, message, stack } = crash;
    const key = shortHash([component, version, type, stack === '' ? message : '', stack].join('\u001f'));
    const known = this.#read.get(key);
    if (known) return known;
    const { frames, isRestored } = await this.#frames(component, version, stack);
    const group = shortHash([application, crashGroupKey(type, message, frames)].join('\u001f'));
    const read = { group, frames, isRestored };
    this.#read.set(key, read);
    return read;
  }

  async #frames(component: string, version: string, stack: string): Promise<Omit<ReadCrash, 'group'>> {
    const mapping = await this.#mappingOf(component, version);
    const told = stackFrames(stack);
    if (mapping) {
      const frames = told.flatMap((frame) => mapping.restore(frame));
      return { frames, isRestored: frames.some((frame, i) => frame.module !== told[i]?.module) };
    }
    if (!told.some(({ file }) => /\.(?:js|bundle|jsbundle)$/.test(file))) return { frames: told, isRestored: false };
    const { frames, isMapped } = await this.#scripts.read({ component, version, stack });
    return {
      isRestored: isMapped,
      frames: isMapped
        ? frames.map(({ file, line, method }) => ({
            module: file,
            method,
            file: file.split('/').at(-1) ?? '',
            line,
            isOwn: !OTHERS_CODE.test(file),
          }))
        : told,
    };
  }

  async #mappingOf(component: string, version: string): Promise<NameMapping | undefined> {
    const key = `${component}\u001f${version}`;
    const known = this.#mappings.get(key);
    if (known) return known.mapping;
    const text = await loadMapping(this.database, { component, version });
    const mapping = text === undefined ? undefined : NameMapping.read(text);
    this.#mappings.set(key, { mapping }, { size: Math.max(1_000, text?.length ?? 0) });
    return mapping;
  }
}
