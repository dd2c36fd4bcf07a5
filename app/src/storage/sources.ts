import { ByteStore } from './byteStore';

const store = new ByteStore('marginalis-sources');

/** Keeps the bytes of a source under its SHA-256; they are never changed afterwards. */
export const keepSource = (sha: string, bytes: Uint8Array): Promise<void> => store.keep(sha, bytes);

/** Whether all of a source is here. */
export const holdsSource = (sha: string): Promise<boolean> => store.holds(sha);

/** The bytes of a source; null when they are not here or not whole. */
export const readSource = (sha: string): Promise<Uint8Array | null> => store.read(sha);

export const dropSource = (sha: string): Promise<void> => store.drop(sha);
