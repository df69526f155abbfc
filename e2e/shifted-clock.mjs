import { readFileSync } from 'node:fs';

/**
 * Loaded before a process of the product (`--import`), or run in a page before its own scripts: its clock is ahead by
 * an offset. Days are not alike: at night a few dozen people come, and a test of the demo day would see another day at
 * each hour.
 *
 * @param offset milliseconds, or what tells them each time: a clock may be set while the process runs
 */
export function shiftClock(offset) {
  const offsetOf = () => (typeof offset === 'function' ? offset() : offset);
  const Real = globalThis.Date;
  globalThis.Date = class Date extends Real {
    constructor(...args) {
      if (args.length === 0) super(Real.now() + offsetOf());
      else super(...args);
    }
    static now() {
      return Real.now() + offsetOf();
    }
  };
}

/** An offset that stands in a file, read ten times a second. */
function offsetInFile(file) {
  let offsetMs = 0;
  let readAt = -Infinity;
  return () => {
    if (performance.now() - readAt > 100) {
      readAt = performance.now();
      offsetMs = Number(readFileSync(file, 'utf8'));
    }
    return offsetMs;
  };
}

if (typeof process !== 'undefined') {
  const file = process.env.TOPLENS_TEST_CLOCK_FILE;
  const fixed = Number(process.env.TOPLENS_TEST_CLOCK_OFFSET_MS ?? 0);
  shiftClock(file === undefined ? fixed : offsetInFile(file));
}
