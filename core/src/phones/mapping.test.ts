import fc from 'fast-check';
import { NameMapping, stackFrames, type StackFrame } from './index';

// Invented, in the form that R8 writes; the rules are those of its Retrace documentation, from memory.
const MAPPING = `# compiler: R8
# {"id":"com.android.tools.r8.mapping","version":"2.2"}
app.round.photo.Camera -> a.b:
    int count -> a
    1:3:void take(android.net.Uri):40:42 -> a
    4:4:void app.round.photo.Encoder.encode(byte[]):17:17 -> a
    4:4:void take(android.net.Uri):43 -> a
    void keep() -> b
app.round.photo.Camera$Take -> a.c:
    5:9:boolean run() -> a
`;
const mapping = NameMapping.read(MAPPING);
const restored = (line: string) =>
  stackFrames(line)
    .flatMap((frame) => mapping.restore(frame))
    .map(({ module, method, line: at }) => `${module}.${method}:${at}`);

test.each([
  ['\tat a.b.a(SourceFile:2)', ['app.round.photo.Camera.take:41']],
  // Inlined: the innermost stands first, the call that it was inlined into behind it.
  ['\tat a.b.a(SourceFile:4)', ['app.round.photo.Encoder.encode:17', 'app.round.photo.Camera.take:43']],
  ['\tat a.b.b(SourceFile:77)', ['app.round.photo.Camera.keep:77']],
  ['\tat a.c.a(SourceFile:7)', ['app.round.photo.Camera$Take.run:7']],
  // The class is known, the method is not: its short name stays.
  ['\tat a.b.z(SourceFile:1)', ['app.round.photo.Camera.z:1']],
  ['\tat x.y.z(Z.kt:3)', ['x.y.z:3']],
])('%s', (line, frames) => expect(restored(line)).toEqual(frames));

test('the file of a class is its outer one', () => {
  const [frame] = stackFrames('\tat a.c.a(SourceFile:7)');
  expect(mapping.restore(frame as StackFrame)[0]?.file).toBe('Camera');
});

test('no text stops it, and what is no mapping maps nothing', () => {
  expect(NameMapping.classesIn('no mapping at all')).toBe(0);
  expect(NameMapping.classesIn(MAPPING)).toBe(2);
  fc.assert(
    fc.property(
      fc.array(fc.oneof(fc.string(), fc.constantFrom(...MAPPING.split('\n'))), { maxLength: 30 }),
      (lines) => {
        const read = NameMapping.read(lines.join('\n'));
        for (const frame of stackFrames('\tat a.b.a(SourceFile:4)'))
          expect(read.restore(frame).length).toBeGreaterThan(0);
      },
    ),
  );
});
