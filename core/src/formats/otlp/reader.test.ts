import { Reader } from './reader';

const texts = (all: readonly string[]) => {
  const parts = all.map((text) => Buffer.from(text));
  const reader = new Reader(Buffer.concat(parts.flatMap((bytes) => [Buffer.from([bytes.length]), bytes])));
  return all.map(() => reader.text());
};

test('texts are read as they stand, whatever was read before and however many share a place', () => {
  const many = Array.from({ length: 20_000 }, (_, i) => `name.${(i * 7919) % 10_007}`);
  expect(texts(many)).toEqual(many);
});

test('characters outside ASCII are never taken for their bytes', () => {
  // The bytes of é, taken for characters, are Ã©.
  const mixed = Array.from({ length: 6_000 }, (_, i) => [`é${i}`, `Ã©${i}`, `z${i}`]).flat();
  expect(texts(mixed)).toEqual(mixed);
  expect(texts(['', 'a', ''])).toEqual(['', 'a', '']);
});
