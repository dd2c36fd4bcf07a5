const DIGITS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/';
const VALUES = new Map([...DIGITS].map((d, i) => [d, i]));

/** RFC 4648 §4, with padding. For short byte strings; megabytes go through the platform's own. */
export function toBase64(bytes: Uint8Array): string {
  let out = '';
  for (let i = 0; i < bytes.length; i += 3) {
    const n = (bytes[i] << 16) | ((bytes[i + 1] ?? 0) << 8) | (bytes[i + 2] ?? 0);
    out += DIGITS[n >> 18] + DIGITS[(n >> 12) & 63];
    out += i + 1 < bytes.length ? DIGITS[(n >> 6) & 63] : '=';
    out += i + 2 < bytes.length ? DIGITS[n & 63] : '=';
  }
  return out;
}

/** @throws RangeError when `text` is not base64 */
export function fromBase64(text: string): Uint8Array {
  const body = text.replace(/={1,2}$/, '');
  if (text.length % 4 !== 0 || body.length % 4 === 1)
    throw new RangeError('Not base64: wrong length.');
  const out = new Uint8Array(Math.floor((body.length * 3) / 4));
  let held = 0;
  let bits = 0;
  let at = 0;
  for (const digit of body) {
    const value = VALUES.get(digit);
    if (value === undefined) throw new RangeError(`Not base64: "${digit}".`);
    held = ((held << 6) | value) & 0xffff;
    bits += 6;
    if (bits >= 8) {
      bits -= 8;
      out[at++] = (held >> bits) & 255;
    }
  }
  return out;
}
