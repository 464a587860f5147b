const table = Int32Array.from({ length: 256 }, (_, n) => {
  let c = n;
  for (let k = 0; k < 8; k++) {
    c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
  }
  return c;
});

/** CRC of a chunk's type and data (PNG, third edition, section 5.5 and annex D). */
export function crc32(bytes: Uint8Array): number {
  let c = -1;
  for (const b of bytes) {
    c = table[(c ^ b) & 255] ^ (c >>> 8);
  }
  return (c ^ -1) >>> 0;
}
