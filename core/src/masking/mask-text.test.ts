import fc from 'fast-check';
import { maskText } from './mask-text';

const nameOf = () => 'person 3f9a-20c1';

test.each([
  ['parcel of sender-00017 is late', ['sender-00017'], 'parcel of person 3f9a-20c1 is late'],
  ['called +44-20-7946-0018', [], 'called +44-…'],
  ['account 123456789', [], 'account 1234…'],
  ['for p17 and p1, p171', ['p17'], 'for person 3f9a-20c1 and p1, p171'],
  ['p17', ['p17', ''], 'person 3f9a-20c1'],
  // What names nobody stays: counts, times, ids of traces and parcels.
  ['took 12345678 µs in 3 tries', [], 'took 12345678 µs in 3 tries'],
  ['trace 4bf92f3577b34da6a3ce929d0e0e4736', [], 'trace 4bf92f3577b34da6a3ce929d0e0e4736'],
  ['2026-11-02T09:14:00.000Z', [], '2026-11-02T09:14:00.000Z'],
])('%j', (text, people, masked) => {
  expect(maskText(text, people, nameOf)).toBe(masked);
});

test('whatever stands around it, an id that was masked is not there any more; masked again it stays', () => {
  fc.assert(
    fc.property(fc.string(), fc.string(), (before, after) => {
      const masked = maskText(`${before} customer-4711 ${after}`, ['customer-4711'], nameOf);
      expect(masked).not.toContain('customer-4711');
      expect(maskText(masked, ['customer-4711'], nameOf)).toBe(masked);
    }),
  );
});

test('a long line is masked in time', () => {
  const begun = performance.now();
  for (const text of ['a'.repeat(200_000), '1 '.repeat(100_000), 'p1 '.repeat(70_000)]) maskText(text, ['p1'], nameOf);
  expect(performance.now() - begun).toBeLessThan(3_000);
});
