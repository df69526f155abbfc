/**
 * Loaded before a process of the product (`--import`), or run in a page before its own scripts: its clock is ahead by a fixed
 * offset. Days are not alike: at night a few dozen people come, and a test of the demo day would see another day at each hour.
 */
export function shiftClock(offsetMs) {
  const Real = globalThis.Date;
  globalThis.Date = class Date extends Real {
    constructor(...args) {
      if (args.length === 0) super(Real.now() + offsetMs);
      else super(...args);
    }
    static now() {
      return Real.now() + offsetMs;
    }
  };
}

if (typeof process !== 'undefined') shiftClock(Number(process.env.TOPLENS_TEST_CLOCK_OFFSET_MS ?? 0));
