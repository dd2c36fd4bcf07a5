const DIGITS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/';
const CODES = Uint8Array.from(DIGITS, (d) => d.charCodeAt(0));
const PAD = '='.charCodeAt(0);
/** No digit. */
const NONE = 255;
const VALUES = new Uint8Array(256).fill(NONE);
CODES.forEach((code, value) => (VALUES[code] = value));

/** String.fromCharCode takes its arguments from the stack; more than this at once can overflow it. */
const AT_ONCE = 0x8000;

/** What newer platforms bring along, many times faster (ECMAScript proposal, stage 4). */
interface NativeBase64 {
  toBase64?: () => string;
}
const native = Uint8Array as unknown as { fromBase64?: (text: string) => Uint8Array };

/** RFC 4648 §4, with padding. */
export function toBase64(bytes: Uint8Array): string {
  const own = (bytes as NativeBase64).toBase64;
  return own ? own.call(bytes) : toBase64ByHand(bytes);
}

export function toBase64ByHand(bytes: Uint8Array): string {
  const codes = new Uint8Array(4 * Math.ceil(bytes.length / 3));
  let to = 0;
  for (let i = 0; i < bytes.length; i += 3) {
    const n = (bytes[i] << 16) | ((bytes[i + 1] ?? 0) << 8) | (bytes[i + 2] ?? 0);
    codes[to++] = CODES[n >> 18];
    codes[to++] = CODES[(n >> 12) & 63];
    codes[to++] = i + 1 < bytes.length ? CODES[(n >> 6) & 63] : PAD;
    codes[to++] = i + 2 < bytes.length ? CODES[n & 63] : PAD;
  }
  let text = '';
  for (let i = 0; i < codes.length; i += AT_ONCE)
    text += String.fromCharCode(...codes.subarray(i, i + AT_ONCE));
  return text;
}

/** @throws RangeError when `text` is not base64 */
export function fromBase64(text: string): Uint8Array {
  if (!native.fromBase64) return fromBase64ByHand(text);
  try {
    return native.fromBase64(text);
  } catch {
    throw new RangeError('Not base64.');
  }
}

/** @throws RangeError when `text` is not base64 */
export function fromBase64ByHand(text: string): Uint8Array {
  const end = text.endsWith('==')
    ? text.length - 2
    : text.endsWith('=')
      ? text.length - 1
      : text.length;
  if (text.length % 4 !== 0 || end % 4 === 1) throw new RangeError('Not base64: wrong length.');
  const out = new Uint8Array(Math.floor((end * 3) / 4));
  let held = 0;
  let bits = 0;
  let to = 0;
  for (let i = 0; i < end; i++) {
    const code = text.charCodeAt(i);
    const value = code < 256 ? VALUES[code] : NONE;
    if (value === NONE) throw new RangeError(`Not base64: "${text[i]}".`);
    held = ((held << 6) | value) & 0xffff;
    bits += 6;
    if (bits >= 8) {
      bits -= 8;
      out[to++] = (held >> bits) & 255;
    }
  }
  return out;
}
