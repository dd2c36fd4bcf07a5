import { sha256 } from '@noble/hashes/sha2';

/** What a picture is called: the SHA-256 of its bytes, lower-case hex, so that it is kept once however often it is used. */
export const pictureName = (bytes: Uint8Array): string =>
  Array.from(sha256(bytes), (n) => n.toString(16).padStart(2, '0')).join('');
