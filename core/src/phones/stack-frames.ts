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
const NOT_OWN =
  /^(?:java|javax|jdk|sun|dalvik|android|androidx|kotlin|kotlinx|libcore|com\.android|com\.google|com\.facebook|okhttp3|okio|expo\.modules)\b|node_modules|^(?:lib(?:c|art|hermes|hwui|log|utils|binder|system_\w+|dispatch|objc)\S*|UIKitCore|Foundation|CoreFoundation|QuartzCore|Security|GraphicsServices)$|^\[native code\]/;

const MOST_LINES = 10_000;
const MOST_FRAMES = 400;
/** Longer lines are cut: nobody writes them, but somebody might send them. */
const LONGEST_LINE = 1_000;

/**
 * Frames of a stack in the notation of Java and Kotlin, JavaScript (with and without "at"), Android's native crashes,
 * and Apple's crash reports; other lines are passed over. Of an exception with causes the frames of the deepest cause.
 */
export function stackFrames(stack: string): StackFrame[] {
  const lines = stack.split('\n', MOST_LINES).map((line) => line.slice(0, LONGEST_LINE).trim());
  const cause = lines.findLastIndex((line, i) => line.startsWith('Caused by: ') && isFrame(lines[i + 1]));
  const frames: StackFrame[] = [];
  for (const line of lines.slice(cause + 1)) {
    const frame = frameOf(line);
    if (frame) frames.push({ ...frame, isOwn: !NOT_OWN.test(frame.module) });
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

/** at takePhoto (index.android.bundle:1:2345), takePhoto@index.android.bundle:1:2345 */
function scriptFrame(line: string): Told | undefined {
  const place = /^(?:at )?(.*?)[ @(]*(?:address at )?([^\s()@]+):(\d+):(\d+)\)?$/.exec(line);
  if (!place) return undefined;
  const [, name = '', path = '', number] = place;
  return { module: path, method: name.trim(), file: path.split('/').at(-1) ?? '', line: lineOf(number) };
}

/** #01 pc 000000000001f2a4 /data/app/round/lib/arm64/libphoto.so (encode_photo+44) */
function nativeFrame(line: string): Told | undefined {
  const [, path, symbol = ''] = /^#\d+\s+pc\s+[0-9a-f]+\s+(\S+)(?:\s+\(([^)]*?)(?:\+\d+)?\))?/.exec(line) ?? [];
  if (path === undefined) return undefined;
  return { module: path.split('/').at(-1) ?? path, method: symbol, file: '', line: 0 };
}

/** 3 Round 0x0000000104a1b2c4 $s5Round4takeyyF + 128 */
function appleFrame(line: string): Told | undefined {
  const [, module, symbol] = /^\d+\s+(\S+)\s+0x[0-9a-f]+\s+(.+?)(?: \+ \d+)?(?: \([^)]*\))?$/.exec(line) ?? [];
  return module === undefined ? undefined : { module, method: (symbol as string).trim(), file: '', line: 0 };
}

const lineOf = (text: string | undefined): number => {
  const line = Number(text ?? 0);
  return Number.isInteger(line) && line > 0 ? line : 0;
};
