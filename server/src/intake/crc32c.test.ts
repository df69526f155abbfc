import { crc32c } from './crc32c';

// RFC 3720 (iSCSI), appendix B.4 "CRC Examples"; the text 123456789 is the check value of the catalogue of CRCs (from
// memory).
test.each([
  ['32 bytes of zero', new Uint8Array(32), 0x8a9136aa],
  ['32 bytes of ones', new Uint8Array(32).fill(0xff), 0x62a8ab43],
  ['32 bytes counting up', Uint8Array.from({ length: 32 }, (_, i) => i), 0x46dd794e],
  ['32 bytes counting down', Uint8Array.from({ length: 32 }, (_, i) => 31 - i), 0x113fdb5c],
  ['123456789', Buffer.from('123456789'), 0xe3069283],
  ['nothing', new Uint8Array(0), 0],
])('CRC-32C of %s', (_what, bytes, crc) => expect(crc32c(bytes)).toBe(crc));

test('a flipped bit anywhere is noticed', () => {
  const bytes = Uint8Array.from({ length: 29 }, (_, i) => i * 37);
  const sound = crc32c(bytes);
  for (let bit = 0; bit < 8 * bytes.length; bit++) {
    const flipped = Uint8Array.from(bytes);
    flipped[bit >> 3] = (flipped[bit >> 3] as number) ^ (1 << (bit & 7));
    expect(crc32c(flipped)).not.toBe(sound);
  }
});
