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
const NOT_OWN = /node_modules|node:internal|site-packages|\b(?:java|javax|jdk|sun|kotlin|scala|org\.springframework|org\.apache)\.|\bSystem\.|Microsoft\./;

/** One line of a stack trace in the notation of Java and Kotlin, .NET, JavaScript, or Python. */
const FRAMES = [
  /^\s*at (?<path>[\w$.<>/@]+)\.(?<method>[\w$<>]+)\((?<file>[\w$.-]+\.\w+)(?::(?<line>\d+))?\)/,
  /^\s*at (?<path>[\w$.<>`+]+)\.(?<method>[\w$<>`.]+)\(.*?\) in (?<file>.+?):line (?<line>\d+)/,
  /^\s*at (?:async )?(?:new )?(?:(?<path>[\w$.<>]+)\.)?(?<method>[\w$<>[\] ]+?) \((?:file:\/\/)?(?<file>[^()]+?):(?<line>\d+):\d+\)/,
  /^\s*at (?<path>)(?<method>)(?:file:\/\/)?(?<file>[^()\s]+?):(?<line>\d+):\d+/,
  /^\s*File "(?<file>[^"]+)", line (?<line>\d+), in (?<path>)(?<method>\S+)/,
] as const;

const frameOf = (text: string): FailurePlace | undefined => {
  for (const pattern of FRAMES) {
    const groups = pattern.exec(text)?.groups;
    if (groups)
      return {
        className: (groups.path ?? '').split(/[.+/]/).at(-1) ?? '',
        method: groups.method ?? '',
        file: (groups.file ?? '').split(/[\\/]/).at(-1) ?? '',
        line: Number(groups.line ?? 0),
      };
  }
  return undefined;
};

/**
 * The place that a stack trace names: its first frame of the sender's own code, or else the first frame. In Python the
 * newest call comes last.
 */
export function placeOfStack(stack: string): FailurePlace {
  const isPython = stack.startsWith('Traceback');
  const lines = stack.split('\n');
  const frames: { place: FailurePlace; own: boolean }[] = [];
  for (const line of isPython ? lines.reverse() : lines) {
    const place = frameOf(line);
    if (place) frames.push({ place, own: !NOT_OWN.test(line) });
  }
  return (frames.find((frame) => frame.own) ?? frames[0])?.place ?? NOWHERE;
}

/** Message, place and stack of a failing span; `undefined` when it tells none of them. */
export function failureDetail(attributes: Attributes, exception: Attributes): FailureDetail | undefined {
  const text = (...names: (keyof Attributes)[]) => names.map((name) => textOf(exception[name]) ?? textOf(attributes[name])).find((found) => found !== undefined) ?? ''; // prettier-ignore
  const message = text('exception.message');
  const stack = text('exception.stacktrace');
  const told = placeOfStack(stack);
  const place = told === NOWHERE ? placeOfAttributes(attributes) : told;
  return message || stack || place !== NOWHERE ? { ...place, message, stack } : undefined;
}

/** Code attributes of the semantic conventions, the stable ones and those before them. */
function placeOfAttributes(attributes: Attributes): FailurePlace {
  const full =
    textOf(attributes['code.function.name']) ?? [textOf(attributes['code.namespace']), textOf(attributes['code.function'])].filter(Boolean).join('.');
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
