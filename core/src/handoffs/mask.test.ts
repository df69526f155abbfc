import fc from 'fast-check';
import { maskId, maskText } from './mask';

test('ids are masked', () => {
  expect(maskId('sender-00017')).toBe('send…');
  expect(maskId('')).toBe('');
});

test.each([
  ['parcel of sender-00017 is late', ['sender-00017'], 'parcel of send… is late'],
  ['sent to ann.field+x@mail.example.test, twice', [], 'sent to ann.@…, twice'],
  ['card 4111 1111 1111 1111 refused', [], 'card 4111… refused'],
  ['called +44-20-7946-0018', [], 'called +44-…'],
  ['account 123456789', [], 'account 1234…'],
  // What names nobody stays: counts, times, ids of traces and parcels, short ids.
  ['took 12345678 µs in 3 tries', [], 'took 12345678 µs in 3 tries'],
  ['trace 4bf92f3577b34da6a3ce929d0e0e4736', [], 'trace 4bf92f3577b34da6a3ce929d0e0e4736'],
  ['for p17 and p1', ['p17'], 'for p17 and p1'],
  ['2026-11-02T09:14:00.000Z', [], '2026-11-02T09:14:00.000Z'],
])('%j', (text, ids, masked) => {
  expect(maskText(text, ids)).toBe(masked);
});

test('whatever stands around it, an id that was masked is not there any more; masked again it stays', () => {
  fc.assert(
    fc.property(fc.string(), fc.string(), (before, after) => {
      const masked = maskText(`${before} customer-4711 ${after}`, ['customer-4711']);
      expect(masked).not.toContain('customer-4711');
      expect(maskText(masked, ['customer-4711'])).toBe(masked);
    }),
  );
});

test('a long line is masked in time', () => {
  const begun = performance.now();
  for (const text of ['a'.repeat(200_000), '1 '.repeat(100_000), 'a@b.'.repeat(50_000), '@'.repeat(200_000)])
    maskText(text);
  expect(performance.now() - begun).toBeLessThan(3_000);
});
