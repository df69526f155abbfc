import type { Deviation, Signal } from '../normal';
import { MINUTE_MS } from '../time';
import { Register } from './register';

const BASE = Date.UTC(2026, 2, 10, 10);
const at = (minutes: number) => BASE + minutes * MINUTE_MS;
const WINDOW = { fromMs: at(-60), toMs: at(120) };
const part = (flow: number, signal: Signal = 'slow', from = 0, to = 30): Deviation => ({
  flow,
  signal,
  onsetMs: at(from),
  endMs: at(to),
  firedMs: at(from + 3),
  active: false,
  level: 'hurting',
  excess: 20,
  z: 8,
});
const group = (...parts: Deviation[]) => ({
  parts,
  onsetMs: Math.min(...parts.map((p) => p.onsetMs)),
  endMs: Math.max(...parts.map((p) => p.endMs)),
  active: false,
});

test('an incident keeps its number while evidence comes and goes, and is withdrawn when it has gone', () => {
  const register = new Register();
  expect(register.replace(WINDOW, [group(part(1)), group(part(2))]).map(({ id }) => id)).toEqual([1, 2]);
  expect(
    register.replace(WINDOW, [group(part(2)), group(part(1, 'slow', 2, 40))]).map(({ id, endMs }) => [id, endMs]),
  ).toEqual([[1, at(40)]]);
  expect(register.replace(WINDOW, [group(part(2))]).map(({ id, withdrawn }) => [id, withdrawn])).toEqual([[1, true]]);
  expect(register.all.map(({ id }) => id)).toEqual([2]);
  // Back again: the same number.
  expect(register.replace(WINDOW, [group(part(1)), group(part(2))]).map(({ id }) => id)).toEqual([1]);
  expect(register.touches(1, { fromMs: at(10), toMs: at(11) })).toBe(true);
  expect(register.touches(1, { fromMs: at(50), toMs: at(51) })).toBe(false);
});

test('joined incidents are one for people, stay so when judged again, and can be parted', () => {
  const register = new Register();
  register.replace(WINDOW, [group(part(1)), group(part(2, 'failing', 5, 50)), group(part(3))]);
  register.join(2, 1);
  expect(register.all.map(({ id, endMs, parts }) => [id, endMs, parts.length])).toEqual([
    [1, at(50), 2],
    [3, at(30), 1],
  ]);
  expect(register.get(2)?.id).toBe(1);
  register.replace(WINDOW, [group(part(1)), group(part(2, 'failing', 5, 70)), group(part(3))]);
  expect(register.get(1)?.endMs).toBe(at(70));
  register.join(1, 3);
  expect(register.get(2)?.id).toBe(3);
  expect(() => register.join(3, 2)).toThrow('are one already');
  register.unjoin(1);
  register.unjoin(2);
  expect(register.all).toHaveLength(3);
});

test('a split stays split when it is judged again, and never leaves one side empty', () => {
  const register = new Register();
  register.replace(WINDOW, [group(part(1), part(2, 'failing', 5, 50))]);
  expect(() => register.split(1, new Set([1, 2]))).toThrow('some to stay');
  const [rest, own] = register.split(1, new Set([2]));
  expect([rest?.endMs, own?.endMs]).toEqual([at(30), at(50)]);
  register.replace(WINDOW, [group(part(1), part(2, 'failing', 5, 60))]);
  expect(register.all.map(({ id, parts, endMs }) => [id, parts.map(({ flow }) => flow), endMs])).toEqual([
    [1, [1], at(30)],
    [2, [2], at(60)],
  ]);
  register.replace(WINDOW, [group(part(1))]);
  expect(register.all.map(({ id }) => id)).toEqual([1]);
});

test('set aside with a reason and an end, and taken back', () => {
  const register = new Register();
  register.replace(WINDOW, [group(part(1))]);
  const setAside = { reason: 'a planned test', by: 'night shift', untilMs: at(90) };
  expect(register.setAside(1, setAside).setAside).toEqual(setAside);
  register.replace(WINDOW, [group(part(1, 'slow', 0, 45))]);
  expect(register.get(1)?.setAside).toEqual(setAside);
  expect(register.setAside(1, null).setAside).toBeNull();
  expect(() => register.setAside(9, null)).toThrow('no incident 9');
});
