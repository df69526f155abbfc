import type { StackFrame } from './stack-frames';

/** A range of lines of one method, and what it was before names were made short. */
interface MethodRange {
  /** lines in the short code, both included; 0 to Infinity where the mapping names none */
  from: number;
  to: number;
  /** '' where it is the class itself */
  originalClass: string;
  originalMethod: string;
  originalFrom: number;
  originalTo: number;
}

interface MappedClass {
  original: string;
  /** by short name, in the order of the file: what is inlined stands before what it is inlined into */
  methods: Map<string, MethodRange[]>;
}

/** Restores the names of frames. */
export class NameMapping {
  private constructor(private readonly classes: ReadonlyMap<string, MappedClass>) {}

  /**
   * Reads the text of a mapping that R8 or ProGuard writes beside a build; lines that are none of it are passed over.
   * Format: R8's "Retrace" documentation (doc/retrace.md of its sources), written from memory; the older ProGuard
   * format is a part of it.
   */
  static read(text: string): NameMapping {
    const classes = new Map<string, MappedClass>();
    let current: MappedClass | undefined;
    for (const line of text.split('\n')) {
      if (line.trimStart().startsWith('#')) continue;
      const arrow = line.lastIndexOf(' -> ');
      if (arrow < 0) continue;
      if (!/^\s/.test(line)) {
        current = { original: line.slice(0, arrow).trim(), methods: new Map() };
        classes.set(
          line
            .slice(arrow + 4)
            .trim()
            .replace(/:$/, ''),
          current,
        );
      } else if (current) addMethod(current, line.slice(0, arrow).trim(), line.slice(arrow + 4).trim());
    }
    return new NameMapping(classes);
  }

  /** How many classes a text maps: a quick look, without reading it all. */
  static classesIn(text: string): number {
    let classes = 0;
    for (const _line of text.matchAll(/^\S.* -> \S+:\r?$/gm)) classes++;
    return classes;
  }

  /** What a frame was: itself where nothing is known, several where calls were inlined, innermost first. */
  restore(frame: StackFrame): StackFrame[] {
    const known = this.classes.get(frame.module);
    if (!known) return [frame];
    const ranges = known.methods.get(frame.method) ?? [];
    const fitting = ranges.filter(({ from, to }) => frame.line >= from && frame.line <= to);
    // Without a line any of them may be meant; the first is told only where there is no other.
    const meant = fitting.length > 0 ? fitting : ranges.length === 1 ? ranges : [];
    if (meant.length === 0) return [{ ...frame, module: known.original, file: fileOf(known.original) }];
    return meant.map((range) => {
      const module = range.originalClass || known.original;
      return { ...frame, module, method: range.originalMethod, file: fileOf(module), line: lineIn(range, frame.line) };
    });
  }
}

/** "1:3:void take(android.net.Uri):40:42" with its short name; fields have no brackets. */
function addMethod(mapped: MappedClass, told: string, shortName: string): void {
  const [, from, to, signature, originalFrom, originalTo] =
    /^(?:(\d+):(\d+):)?(.*?\))(?::(\d+))?(?::(\d+))?$/.exec(told) ?? [];
  if (signature === undefined) return;
  const qualified = signature.slice(signature.indexOf(' ') + 1, signature.indexOf('('));
  const dot = qualified.lastIndexOf('.');
  const first = originalFrom === undefined ? Number(from ?? 0) : Number(originalFrom);
  const range: MethodRange = {
    from: from === undefined ? 0 : Number(from),
    to: to === undefined ? Infinity : Number(to),
    originalClass: dot < 0 ? '' : qualified.slice(0, dot),
    originalMethod: qualified.slice(dot + 1),
    originalFrom: first,
    // One original line alone: all lines of the range are that line, as where a call was inlined.
    originalTo: originalTo === undefined ? (originalFrom === undefined ? Infinity : first) : Number(originalTo),
  };
  const known = mapped.methods.get(shortName);
  if (known) known.push(range);
  else mapped.methods.set(shortName, [range]);
}

const lineIn = ({ from, originalFrom, originalTo }: MethodRange, line: number): number =>
  originalFrom === 0 ? line : Math.min(originalTo, originalFrom + Math.max(0, line - from));

/** Classes stand in files of their own name: "com.round.Camera$Take" in "Camera". */
const fileOf = (className: string): string => (className.split('.').at(-1) ?? '').split('$')[0] ?? '';
