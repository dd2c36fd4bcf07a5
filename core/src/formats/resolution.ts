/** Inches in a metre. */
const PER_METRE = 1 / 0.0254;
const PNG = [0x89, 0x50, 0x4e, 0x47];
/** After the signature (8 bytes) and the header chunk (25). */
const AFTER_HEADER = 33;
/** Where JFIF has its unit and densities, from the head of the file. */
const DENSITY = 13;
const JFIF = [0x4a, 0x46, 0x49, 0x46];
const PER_INCH = 1;

/**
 * A PNG or JPEG file that says how many pixels an inch has, so that it is placed as large as the page (PNG, §11.3.5.3 pHYs; JFIF 1.02, APP0). The same bytes
 * where it is neither, or says nothing of the kind.
 */
export function withResolution(bytes: Uint8Array, dpi: number): Uint8Array {
  if (PNG.every((byte, k) => bytes[k] === byte) && bytes.length > AFTER_HEADER) {
    const chunk = physChunk(Math.round(dpi * PER_METRE));
    const out = new Uint8Array(bytes.length + chunk.length);
    out.set(bytes.subarray(0, AFTER_HEADER));
    out.set(chunk, AFTER_HEADER);
    out.set(bytes.subarray(AFTER_HEADER), AFTER_HEADER + chunk.length);
    return out;
  }
  if (!JFIF.every((byte, k) => bytes[6 + k] === byte)) return bytes;
  const out = bytes.slice();
  out[DENSITY] = PER_INCH;
  const view = new DataView(out.buffer);
  view.setUint16(DENSITY + 1, dpi);
  view.setUint16(DENSITY + 3, dpi);
  return out;
}

function physChunk(perMetre: number): Uint8Array {
  const chunk = new Uint8Array(21);
  const view = new DataView(chunk.buffer);
  view.setUint32(0, 9);
  chunk.set([0x70, 0x48, 0x59, 0x73], 4);
  view.setUint32(8, perMetre);
  view.setUint32(12, perMetre);
  // The unit is the metre.
  chunk[16] = 1;
  view.setUint32(17, crcOf(chunk.subarray(4, 17)));
  return chunk;
}

/** CRC-32 as PNG takes it (annex D). */
function crcOf(bytes: Uint8Array): number {
  let crc = 0xffffffff;
  for (const byte of bytes) {
    crc ^= byte;
    for (let k = 0; k < 8; k++) crc = crc & 1 ? (crc >>> 1) ^ 0xedb88320 : crc >>> 1;
  }
  return (crc ^ 0xffffffff) >>> 0;
}
