import fc from 'fast-check';
import { stackFrames } from './index';

test.each([
  [
    '\tat app.round.photo.Camera$Companion.take(Camera.kt:88)',
    { module: 'app.round.photo.Camera$Companion', method: 'take', file: 'Camera.kt', line: 88, isOwn: true },
  ],
  [
    '\tat android.os.Handler.dispatchMessage(Handler.java:106)',
    { module: 'android.os.Handler', method: 'dispatchMessage', file: 'Handler.java', line: 106, isOwn: false },
  ],
  ['\tat a.b.c(Unknown Source:12)', { module: 'a.b', method: 'c', file: '', line: 12, isOwn: true }],
  [
    '\tat java.lang.Object.wait(Native Method)',
    { module: 'java.lang.Object', method: 'wait', file: '', line: 0, isOwn: false },
  ],
  [
    'at takePhoto (index.android.bundle:1:2345)',
    { module: 'index.android.bundle', method: 'takePhoto', file: 'index.android.bundle', line: 1, isOwn: true },
  ],
  [
    'at onPress (address at index.android.bundle:1:99)',
    { module: 'index.android.bundle', method: 'onPress', file: 'index.android.bundle', line: 1, isOwn: true },
  ],
  [
    'takePhoto@http://127.0.0.1:8081/index.bundle:88:11',
    { module: 'http://127.0.0.1:8081/index.bundle', method: 'takePhoto', file: 'index.bundle', line: 88, isOwn: true },
  ],
  [
    '#01 pc 000000000001f2a4  /data/app/round/lib/arm64/libphoto.so (encode_photo+44) (BuildId: 77)',
    { module: 'libphoto.so', method: 'encode_photo', file: '', line: 0, isOwn: true },
  ],
  [
    '#00 pc 0004f0a4  /apex/com.android.runtime/lib64/bionic/libc.so (abort+168)',
    { module: 'libc.so', method: 'abort', file: '', line: 0, isOwn: false },
  ],
  [
    '3   Round    0x0000000104a1b2c4 takePhoto + 128',
    { module: 'Round', method: 'takePhoto', file: '', line: 0, isOwn: true },
  ],
  [
    '1   UIKitCore    0x00000001a2b3c4d5 -[UIApplication sendAction:] + 96',
    { module: 'UIKitCore', method: '-[UIApplication sendAction:]', file: '', line: 0, isOwn: false },
  ],
])('%s', (line, frame) => expect(stackFrames(line)).toEqual([frame]));

test('of an exception with causes the frames of the deepest cause count, also where causes go in a circle', () => {
  const stack = [
    'java.lang.RuntimeException: outer',
    '\tat app.Outer.run(Outer.kt:1)',
    'Caused by: java.io.IOException: inner',
    '\tat app.Inner.read(Inner.kt:2)',
    '\t... 12 more',
    'Caused by: [CIRCULAR REFERENCE: java.lang.RuntimeException: outer]',
  ].join('\n');
  expect(stackFrames(stack).map(({ module }) => module)).toEqual(['app.Inner']);
});

test('ten thousand frames are cut', () => {
  expect(stackFrames('\tat a.B.c(B.kt:1)\n'.repeat(10_000))).toHaveLength(400);
});

// Ten thousand lines of each: expressions that go back and forth would take minutes for one of them.
test.each([
  ['brackets', `at ${'('.repeat(1_000_000)}:1:1)`],
  ['brackets without end', '('.repeat(2_000)],
  ['colons', `at x${':1'.repeat(1_000)}x`],
  ['signs', `${'@ ('.repeat(700)}:x`],
  ['offsets', `#01 pc 0 a (${'+1'.repeat(900)}`],
  ['open brackets of a symbol', `1 a 0x1 ${' (('.repeat(600)}`],
  ['spaces', `1 ${' '.repeat(2_000)}x`],
  ['dots', `at ${'a.'.repeat(900)}(`],
])('lines made of %s cost no time', (_what, line) => {
  const stack = `${line.slice(0, 3_000)}\n`.repeat(10_000);
  const started = performance.now();
  expect(stackFrames(stack).length).toBeLessThanOrEqual(400);
  // Some hundredths of a second; the bound is wide for a busy machine.
  expect(performance.now() - started).toBeLessThan(20_000);
});

test('no text stops it', () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 400, unit: 'binary' }), (text) => {
      for (const frame of stackFrames(text)) expect(frame.line).toBeGreaterThanOrEqual(0);
    }),
    { numRuns: 500 },
  );
});
