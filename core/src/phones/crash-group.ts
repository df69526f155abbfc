import { withoutValues } from '../pages';
import type { StackFrame } from './stack-frames';

/** So many frames tell where it is. */
const TOP_FRAMES = 3;
/** Calls that go round over so many methods are folded. */
const LONGEST_ROUND = 4;

/**
 * Crashes with the same key are one group: the type, and the topmost frames of own code by class and method. Lines,
 * addresses and names that a compiler made do not count, so a new version splits no group whose code stayed as it is.
 * Without own code the topmost frames of any, without frames the message without its values.
 */
export function crashGroupKey(type: string, message: string, frames: readonly StackFrame[]): string {
  const names = (of: readonly StackFrame[]) => folded(of.map(nameOf)).slice(0, TOP_FRAMES);
  const own = names(frames.filter(({ isOwn }) => isOwn));
  const top = own.length > 0 ? own : names(frames);
  return [type, ...(top.length > 0 ? top : [withoutValues(message)])].join('\u001f');
}

/** Class and method as people wrote them. */
function nameOf({ module, method, file }: StackFrame): string {
  const script = /\.(?:[jt]sx?|bundle)$/.test(file);
  return `${script ? file : plainName(module)}.${plainName(method)}`;
}

/** "Camera$Companion$take$1" and "lambda$take$0" → "take" with its class; what a compiler added goes. */
const plainName = (name: string): string =>
  name
    .replace(/^lambda\$(.+?)(?:\$\d+)?$/, '$1')
    .replace(/^access\$(?:\d+|(.+))$/, '$1')
    .replace(/\$(?:Companion|ExternalSyntheticLambda|\$ExternalSynthetic\w*|DefaultImpls|lambda)\b/g, '')
    .replace(/[$_-]\d+/g, '')
    .replace(/0x[0-9a-f]+/gi, '')
    .replace(/\$+$/, '');

/** Calls that go round and round count as one round: how deep they went is chance. */
export function folded(names: readonly string[]): string[] {
  const kept: string[] = [];
  for (let at = 0; at < names.length;) {
    const round = roundAt(names, at);
    kept.push(...names.slice(at, at + round.length));
    at += round.length * round.times;
  }
  return kept;
}

/** The shortest run from a place on that comes again just behind itself; else the single name. */
function roundAt(names: readonly string[], at: number): { length: number; times: number } {
  for (let length = 1; length <= LONGEST_ROUND && at + 2 * length <= names.length; length++) {
    let times = 1;
    while (isSame(names, at, at + times * length, length)) times++;
    if (times > 1) return { length, times };
  }
  return { length: 1, times: 1 };
}

function isSame(names: readonly string[], a: number, b: number, length: number): boolean {
  if (b + length > names.length) return false;
  for (let i = 0; i < length; i++) if (names[a + i] !== names[b + i]) return false;
  return true;
}
