import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { fromBase64, toBase64 } from '@marginalis/core/marks';

/** A multiple of three, so that pieces join without padding between them. */
const PIECE = 3 * 256 * 1024;

const pieceKey = (key: string, i: number): string => `${key}/${String(i).padStart(5, '0')}`;

/** Long runs of bytes by key, in pieces that storage takes. */
export class ByteStore {
  private readonly store;

  constructor(name: string) {
    this.store = createAsyncStorage(name);
  }

  async keep(key: string, bytes: Uint8Array): Promise<void> {
    const entries: Record<string, string> = {};
    const count = Math.ceil(bytes.length / PIECE);
    for (let i = 0; i < count; i++)
      entries[pieceKey(key, i)] = toBase64(bytes.subarray(i * PIECE, (i + 1) * PIECE));
    entries[key] = JSON.stringify({ pieces: count, size: bytes.length });
    await this.store.setMany(entries);
  }

  /** Whether all of them are here. */
  async holds(key: string): Promise<boolean> {
    const head = await this.store.getItem(key);
    if (head === null) return false;
    const { pieces } = JSON.parse(head) as { pieces: number };
    const keys = new Set(await this.store.getAllKeys());
    return Array.from({ length: pieces }, (_, i) => pieceKey(key, i)).every((one) => keys.has(one));
  }

  /** Null when they are not here or not whole. */
  async read(key: string): Promise<Uint8Array | null> {
    const head = await this.store.getItem(key);
    if (head === null) return null;
    const { pieces, size } = JSON.parse(head) as { pieces: number; size: number };
    const keys = Array.from({ length: pieces }, (_, i) => pieceKey(key, i));
    const texts = await this.store.getMany(keys);
    const bytes = new Uint8Array(size);
    let at = 0;
    for (const one of keys) {
      const text = texts[one];
      if (text === null || text === undefined) return null;
      const piece = fromBase64(text);
      bytes.set(piece, at);
      at += piece.length;
    }
    return at === size ? bytes : null;
  }

  async drop(key: string): Promise<void> {
    const head = await this.store.getItem(key);
    if (head === null) return;
    const { pieces } = JSON.parse(head) as { pieces: number };
    const keys = Array.from({ length: pieces }, (_, i) => pieceKey(key, i));
    await this.store.removeMany([key, ...keys]);
  }
}
