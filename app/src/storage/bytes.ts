interface NativeBase64 {
  toBase64?: () => string;
}
const native = Uint8Array as unknown as { fromBase64?: (text: string) => Uint8Array };

/** String.fromCharCode takes its arguments from the stack; more than this at once can overflow it. */
const AT_ONCE = 0x8000;

export function bytesToBase64(bytes: Uint8Array): string {
  const own = (bytes as NativeBase64).toBase64;
  if (own) return own.call(bytes);
  let binary = '';
  for (let i = 0; i < bytes.length; i += AT_ONCE)
    binary += String.fromCharCode(...bytes.subarray(i, i + AT_ONCE));
  return btoa(binary);
}

export function base64ToBytes(text: string): Uint8Array {
  if (native.fromBase64) return native.fromBase64(text);
  return Uint8Array.from(atob(text), (c) => c.charCodeAt(0));
}

/** The SHA-256 of `bytes`, lower-case hex. */
export async function sha256(bytes: Uint8Array): Promise<string> {
  const hash = await crypto.subtle.digest('SHA-256', bytes as Uint8Array<ArrayBuffer>);
  return [...new Uint8Array(hash)].map((b) => b.toString(16).padStart(2, '0')).join('');
}
