import fc from 'fast-check';
import type { Deviation } from '../normal';
import { MINUTE_MS } from '../time';
import { Register } from './register';

const BASE = Date.UTC(2026, 2, 10, 10);
const at = (minutes: number) => BASE + minutes * MINUTE_MS;
const WINDOW = { fromMs: at(0), toMs: at(600) };

const deviation = fc
  .record({
    flow: fc.integer({ min: 1, max: 4 }),
    signal: fc.constantFrom('slow' as const, 'failing' as const),
    from: fc.integer({ min: 0, max: 500 }),
    minutes: fc.integer({ min: 1, max: 90 }),
  })
  .map(({ flow, signal, from, minutes }): Deviation => ({
    flow,
    signal,
    onsetMs: at(from),
    endMs: at(from + minutes),
    firedMs: at(from + 1),
    active: false,
    level: 'hurting',
    excess: 9,
    z: 9,
  }));
const group = fc.array(deviation, { minLength: 1, maxLength: 3 }).map((parts) => ({
  parts,
  onsetMs: Math.min(...parts.map((part) => part.onsetMs)),
  endMs: Math.max(...parts.map((part) => part.endMs)),
  active: false,
}));
/** As the judge gives them: a signal of a flow belongs to one group alone. */
const judgement = fc.array(group, { maxLength: 5 }).map((groups) => {
  const taken = new Set<string>();
  const isFree = ({ flow, signal }: Deviation) =>
    !taken.has(`${flow}:${signal}`) && taken.add(`${flow}:${signal}`) !== undefined;
  return groups.map((one) => ({ ...one, parts: one.parts.filter(isFree) })).filter(({ parts }) => parts.length > 0);
});

const partsOf = (register: Register) =>
  register.all.map(({ id, parts }) => ({ id, parts })).sort((a, b) => a.id - b.id);

test('judged again with the same result nothing changes, whatever was there before', () => {
  fc.assert(
    fc.property(fc.array(judgement, { maxLength: 3 }), judgement, (before, groups) => {
      const register = new Register();
      for (const earlier of before) register.replace(WINDOW, earlier);
      register.replace(WINDOW, groups);
      const known = partsOf(register);
      expect(known).toHaveLength(groups.length);
      expect(register.replace(WINDOW, groups).filter(({ withdrawn }) => withdrawn)).toEqual([]);
      const shown = (all: typeof known) => all.map(({ parts }) => JSON.stringify(parts)).sort();
      expect(shown(partsOf(register))).toEqual(shown(known));
    }),
  );
});

test('a restart knows what was stored: numbers, times, and none given twice', () => {
  fc.assert(
    fc.property(judgement, judgement, (first, second) => {
      const register = new Register();
      const stored = new Map(register.replace(WINDOW, first).map((incident) => [incident.id, incident]));
      for (const changed of register.replace(WINDOW, second)) stored.set(changed.id, changed);
      const restarted = new Register([...stored.values()]);
      expect(partsOf(restarted)).toEqual(partsOf(register));
      const fresh = {
        ...(first[0] ?? { parts: [] }),
        parts: [{ flow: 9, signal: 'slow', onsetMs: at(1), endMs: at(2) } as Deviation],
      };
      const ids = restarted
        .replace({ fromMs: at(-100), toMs: at(-90) }, [{ ...fresh, onsetMs: at(1), endMs: at(2), active: false }])
        .map(({ id }) => id);
      for (const id of ids) expect(stored.get(id)?.withdrawn ?? true).toBe(true);
    }),
  );
});

test('a flow was in trouble exactly while one of its parts lasted; up to a moment, what lies behind it is not told', () => {
  fc.assert(
    fc.property(judgement, fc.integer({ min: 0, max: 600 }), fc.integer({ min: 1, max: 5 }), (groups, minute, flow) => {
      const register = new Register();
      register.replace(WINDOW, groups);
      const window = { fromMs: at(minute), toMs: at(minute + 1) };
      const own = groups.flatMap(({ parts }) => parts).filter((part) => part.flow === flow);
      expect(register.touches(flow, window)).toBe(
        own.some((part) => part.onsetMs < window.toMs && part.endMs > window.fromMs),
      );
      const later = own.map((part) => ({ ...part, endMs: part.endMs > at(minute) ? at(700) : part.endMs }));
      const other = new Register();
      other.replace(
        WINDOW,
        groups.length === 0
          ? []
          : [{ parts: later, onsetMs: at(0), endMs: at(700), active: false }].filter(() => later.length > 0),
      );
      expect(other.troubledBefore(at(minute)).get(flow)).toBe(register.troubledBefore(at(minute)).get(flow));
    }),
  );
});
