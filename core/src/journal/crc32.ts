const TABLE = Uint32Array.from({ length: 256 }, (_, n) => {
  let c = n;
  for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
  return c;
});

/** CRC-32 (ISO 3309, polynomial 0xEDB88320) over the UTF-16 code units of `text`, low byte first; 8 hex digits. */
export function crc32(text: string): string {
  let c = 0xffffffff;
  for (let i = 0; i < text.length; i++) {
    const unit = text.charCodeAt(i);
    c = TABLE[(c ^ unit) & 255] ^ (c >>> 8);
    c = TABLE[(c ^ (unit >> 8)) & 255] ^ (c >>> 8);
  }
  return ((c ^ 0xffffffff) >>> 0).toString(16).padStart(8, '0');
}
