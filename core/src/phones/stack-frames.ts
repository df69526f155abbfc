/** One frame of a stack, as it is told or after its names were restored. */
export interface StackFrame {
  /** class, script or library */
  module: string;
  method: string;
  file: string;
  /** 0 when not told */
  line: number;
  /** code of the application itself, as far as its name tells */
  isOwn: boolean;
}

/** Code that others wrote. Common practice, no source; names of platforms and their libraries. */
const NOT_OWN = [
  /^(?:java|javax|jdk|sun|dalvik|android|androidx|kotlin|kotlinx|libcore|okhttp3|okio|expo\.modules)\b/,
  /^com\.(?:android|google|facebook)\b/,
  /node_modules/,
  /^lib(?:c|art|hermes|hwui|log|utils|binder|system_\w+|dispatch|objc)\S*$/,
  /^(?:UIKitCore|Foundation|CoreFoundation|QuartzCore|Security|GraphicsServices)$/,
  /^\[native code\]/,
];

const MOST_LINES = 10_000;
const MOST_FRAMES = 400;
/** Longer lines are cut: nobody writes them, but somebody might send them. */
const LONGEST_LINE = 1_000;

/**
 * Frames of a stack in the notation of Java and Kotlin, JavaScript (with and without "at"), Android's native crashes,
 * and Apple's crash reports; other lines are passed over. Of an exception with causes the frames of the deepest cause.
 */
export function stackFrames(stack: string): StackFrame[] {
  const lines = stack.split('\n', MOST_LINES).map((line) => line.slice(0, LONGEST_LINE).replace(/\s/g, ' ').trim());
  const cause = lines.findLastIndex((line, i) => line.startsWith('Caused by: ') && isFrame(lines[i + 1]));
  const frames: StackFrame[] = [];
  for (const line of lines.slice(cause + 1)) {
    const frame = frameOf(line);
    if (frame) frames.push({ ...frame, isOwn: !NOT_OWN.some((pattern) => pattern.test(frame.module)) });
    if (frames.length === MOST_FRAMES) break;
  }
  return frames;
}

type Told = Omit<StackFrame, 'isOwn'>;

const isFrame = (line: string | undefined) => line !== undefined && frameOf(line) !== undefined;

const frameOf = (line: string): Told | undefined =>
  javaFrame(line) ?? scriptFrame(line) ?? nativeFrame(line) ?? appleFrame(line);

/** at com.round.photo.Camera.take(Camera.kt:88) */
function javaFrame(line: string): Told | undefined {
  if (!line.startsWith('at ')) return undefined;
  const open = line.indexOf('(');
  const name = line.slice(3, open);
  if (open < 4 || !line.endsWith(')') || !/^[\w$.<>/@-]+$/.test(name) || !name.includes('.')) return undefined;
  const [file = '', number] = line.slice(open + 1, -1).split(':');
  const dot = name.lastIndexOf('.');
  const isFile = /^[\w$-]+\.\w+$/.test(file);
  return { module: name.slice(0, dot), method: name.slice(dot + 1), file: isFile ? file : '', line: lineOf(number) };
}

/**
 * at takePhoto (index.android.bundle:1:2345), takePhoto@index.android.bundle:1:2345. Taken apart from its end, each
 * sign looked for once: an expression for all of it takes minutes on lines that are made for that.
 */
function scriptFrame(line: string): Told | undefined {
  const end = line.endsWith(')') ? line.length - 1 : line.length;
  const column = line.lastIndexOf(':', end - 1);
  const number = line.lastIndexOf(':', column - 1);
  if (number < 1 || !/^:\d+:\d+$/.test(line.slice(number, end))) return undefined;
  const head = line.slice(0, number);
  const begin = Math.max(head.lastIndexOf(' '), head.lastIndexOf('('), head.lastIndexOf('@')) + 1;
  const path = head.slice(begin);
  if (path === '') return undefined;
  const told = head
    .slice(0, Math.max(0, begin - 1))
    .replace(/\(?address at$/, '')
    .trim();
  const method = told.replace(/^at(?: |$)/, '').trim();
  return {
    module: path,
    method,
    file: path.slice(path.lastIndexOf('/') + 1),
    line: lineOf(line.slice(number + 1, column)),
  };
}

/** #01 pc 000000000001f2a4 /data/app/round/lib/arm64/libphoto.so (encode_photo+44) */
function nativeFrame(line: string): Told | undefined {
  const [, path, rest = ''] = /^#\d+ +pc +[0-9a-f]+ +(\S+)(.*)$/.exec(line) ?? [];
  if (path === undefined) return undefined;
  const open = rest.indexOf('(');
  const close = rest.indexOf(')', open);
  const symbol = open < 0 || close < 0 ? '' : withoutOffset(rest.slice(open + 1, close), '+');
  return { module: path.slice(path.lastIndexOf('/') + 1), method: symbol, file: '', line: 0 };
}

/** 3 Round 0x0000000104a1b2c4 $s5Round4takeyyF + 128 */
function appleFrame(line: string): Told | undefined {
  const [, module, rest] = /^\d+ +(\S+) +0x[0-9a-f]+ +(\S.*)$/.exec(line) ?? [];
  if (module === undefined || rest === undefined) return undefined;
  // "(in Round)" may stand behind it.
  const behind = rest.endsWith(')') ? rest.lastIndexOf(' (') : -1;
  const symbol = behind > 0 ? rest.slice(0, behind) : rest;
  return { module, method: withoutOffset(symbol, ' + '), file: '', line: 0 };
}

/** "encode_photo+44" → "encode_photo" */
function withoutOffset(symbol: string, sign: string): string {
  const at = symbol.lastIndexOf(sign);
  return at > 0 && /^\d+$/.test(symbol.slice(at + sign.length)) ? symbol.slice(0, at) : symbol;
}

const lineOf = (text: string | undefined): number => {
  const line = Number(text ?? 0);
  return Number.isInteger(line) && line > 0 ? line : 0;
};
