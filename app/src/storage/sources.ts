import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { fromBase64, toBase64 } from '@marginalis/core/marks';

const store = createAsyncStorage('marginalis-sources');
/** A multiple of three, so that pieces join without padding between them. */
const PIECE = 3 * 256 * 1024;

const pieceKey = (sha: string, i: number): string => `${sha}/${String(i).padStart(5, '0')}`;

/** Keeps the bytes of a source under its SHA-256; they are never changed afterwards. */
export async function keepSource(sha: string, bytes: Uint8Array): Promise<void> {
  const entries: Record<string, string> = {};
  const count = Math.ceil(bytes.length / PIECE);
  for (let i = 0; i < count; i++)
    entries[pieceKey(sha, i)] = toBase64(bytes.subarray(i * PIECE, (i + 1) * PIECE));
  entries[sha] = JSON.stringify({ pieces: count, size: bytes.length });
  await store.setMany(entries);
}

/** Whether all of a source is here. */
export async function holdsSource(sha: string): Promise<boolean> {
  const head = await store.getItem(sha);
  if (head === null) return false;
  const { pieces } = JSON.parse(head) as { pieces: number };
  const keys = new Set(await store.getAllKeys());
  return Array.from({ length: pieces }, (_, i) => pieceKey(sha, i)).every((key) => keys.has(key));
}

/** The bytes of a source; null when they are not here or not whole. */
export async function readSource(sha: string): Promise<Uint8Array | null> {
  const head = await store.getItem(sha);
  if (head === null) return null;
  const { pieces, size } = JSON.parse(head) as { pieces: number; size: number };
  const keys = Array.from({ length: pieces }, (_, i) => pieceKey(sha, i));
  const texts = await store.getMany(keys);
  const bytes = new Uint8Array(size);
  let at = 0;
  for (const key of keys) {
    const text = texts[key];
    if (text === null || text === undefined) return null;
    const piece = fromBase64(text);
    bytes.set(piece, at);
    at += piece.length;
  }
  return at === size ? bytes : null;
}

export async function dropSource(sha: string): Promise<void> {
  const head = await store.getItem(sha);
  if (head === null) return;
  const { pieces } = JSON.parse(head) as { pieces: number };
  await store.removeMany([sha, ...Array.from({ length: pieces }, (_, i) => pieceKey(sha, i))]);
}
