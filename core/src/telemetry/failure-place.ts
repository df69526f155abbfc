import { numberOf, textOf, type Attributes } from './attributes';

/** Where in the code something failed, as far as telemetry tells; '' and 0 for what it does not. */
export interface FailurePlace {
  className: string;
  method: string;
  file: string;
  line: number;
}

/** What is known of a failure beyond its type. */
export interface FailureDetail extends FailurePlace {
  message: string;
  stack: string;
}

const NOWHERE: FailurePlace = { className: '', method: '', file: '', line: 0 };

/** Frames of code that others wrote: the place to look at is the first that is none of these. */
const MOST_FRAMES = 500;
const NOT_OWN =
  /node_modules|node:internal|site-packages|\b(?:java|javax|jdk|sun|kotlin|scala|org\.springframework|org\.apache)\.|\bSystem\.|Microsoft\./;

const placeOf = (path: string, method: string, file: string, line: string | undefined): FailurePlace => ({
  className: path.split(/[.+/]/).at(-1) ?? '',
  method,
  file: file.split(/[\\/]/).at(-1) ?? '',
  line: Number(line ?? 0),
});

/** A dotted name: what stands before its last dot, and behind. */
function parted(name: string): [path: string, method: string] {
  const dot = name.lastIndexOf('.');
  return [name.slice(0, Math.max(0, dot)), name.slice(dot + 1)];
}

/** Longer lines are cut: nobody writes them, but somebody might send them. */
const LONGEST_FRAME = 1_000;

/**
 * One line of a stack trace in the notation of Java and Kotlin, .NET, JavaScript, or Python. Taken apart at its
 * brackets and colons, each looked for once: an expression for all of it takes minutes on a line that is made for that.
 */
function frameOf(text: string): FailurePlace | undefined {
  const line = text.slice(0, LONGEST_FRAME).trim();
  if (line.startsWith('File "')) return pythonFrame(line);
  if (!line.startsWith('at ')) return undefined;
  const call = line.slice(3).trim();
  return dotNetFrame(call) ?? bracketedFrame(call) ?? namelessFrame(call);
}

/** File "labels.py", line 88, in for_band */
function pythonFrame(line: string): FailurePlace | undefined {
  const end = line.indexOf('"', 6);
  const [, number, method = ''] = end < 0 ? [] : (/^", line (\d+), in (\S+)/.exec(line.slice(end)) ?? []);
  return number === undefined ? undefined : placeOf('', method, line.slice(6, end), number);
}

/** Parcels.Surcharges.ForBand(Int32 band) in C:\src\Surcharges.cs:line 88 */
function dotNetFrame(call: string): FailurePlace | undefined {
  const open = call.indexOf('(');
  const file = call.indexOf(') in ', open);
  const line = call.lastIndexOf(':line ');
  if (open < 1 || file < 0 || line < file) return undefined;
  return placeOf(...parted(call.slice(0, open)), call.slice(file + 5, line), /^\d+/.exec(call.slice(line + 6))?.[0]);
}

/**
 * parcels.Surcharges.forBand(Surcharges.java:88), or async Surcharges.forBand (file:///srv/app/src/surcharges.ts:88:11)
 */
function bracketedFrame(call: string): FailurePlace | undefined {
  const open = call.lastIndexOf('(');
  const close = call.indexOf(')', open);
  if (open < 1 || close < 0) return undefined;
  const inside = call.slice(open + 1, close);
  const name = call.slice(0, open);
  if (!name.endsWith(' ')) {
    const [, file, line] = /^([\w$-][\w$.-]*\.\w+)(?::(\d+))?$/.exec(inside) ?? [];
    return file === undefined || !/^[\w$.<>/@]+$/.test(name) || !name.includes('.')
      ? undefined
      : placeOf(...parted(name), file, line);
  }
  const place = locationOf(inside);
  // "Object.run [as again]" is known by the name it has, not by the one it was called by.
  const plain = name
    .trim()
    .replace(/^async /, '')
    .replace(/^new /, '');
  const alias = plain.indexOf(' [');
  const [path, method] = parted(alias < 0 ? plain : plain.slice(0, alias));
  return place && placeOf(path, method, place.file, place.line);
}

function namelessFrame(call: string): FailurePlace | undefined {
  const place = locationOf(call.split(/\s/, 1)[0] ?? '');
  return place && placeOf('', '', place.file, place.line);
}

/** A file with line and column behind it. */
function locationOf(text: string): { file: string; line: string } | undefined {
  const column = text.lastIndexOf(':');
  const line = text.lastIndexOf(':', column - 1);
  if (line < 1 || !/^:\d+:\d+$/.test(text.slice(line))) return undefined;
  return { file: text.slice(0, line).replace(/^file:\/\//, ''), line: text.slice(line + 1, column) };
}

/**
 * The place that a stack trace names: its first frame of the sender's own code, or else the first frame. In Python the
 * newest call comes last.
 */
export function placeOfStack(stack: string): FailurePlace {
  const isPython = stack.startsWith('Traceback');
  const lines = stack.split('\n', MOST_FRAMES);
  const frames: { place: FailurePlace; own: boolean }[] = [];
  for (const line of isPython ? lines.reverse() : lines) {
    const place = frameOf(line);
    if (place) frames.push({ place, own: !NOT_OWN.test(line) });
  }
  return (frames.find((frame) => frame.own) ?? frames[0])?.place ?? NOWHERE;
}

/** Message, place and stack of a failing span; `undefined` when it tells none of them. */
export function failureDetail(attributes: Attributes, exception: Attributes): FailureDetail | undefined {
  const text = (...names: (keyof Attributes)[]) =>
    names.map((name) => textOf(exception[name]) ?? textOf(attributes[name])).find((found) => found !== undefined) ?? '';
  const message = text('exception.message');
  const stack = text('exception.stacktrace');
  const told = placeOfStack(stack);
  const place = told === NOWHERE ? placeOfAttributes(attributes) : told;
  return message || stack || place !== NOWHERE ? { ...place, message, stack } : undefined;
}

/** Code attributes of the semantic conventions, the stable ones and those before them. */
function placeOfAttributes(attributes: Attributes): FailurePlace {
  const full =
    textOf(attributes['code.function.name']) ??
    [textOf(attributes['code.namespace']), textOf(attributes['code.function'])].filter(Boolean).join('.');
  const file = textOf(attributes['code.file.path']) ?? textOf(attributes['code.filepath']) ?? '';
  if (full === '' && file === '') return NOWHERE;
  const parts = full.split(/[.:]+/);
  return {
    method: parts.at(-1) ?? '',
    className: parts.at(-2) ?? '',
    file: file.split(/[\\/]/).at(-1) ?? '',
    line: numberOf(attributes['code.line.number']) ?? numberOf(attributes['code.lineno']) ?? 0,
  };
}
