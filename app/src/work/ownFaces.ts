import type { OwnFace } from '@marginalis/core/type';

/** A font file of a person's own, for a worker. */
export interface OwnFaceFile {
  readonly name: OwnFace;
  readonly bytes: Uint8Array;
}

/** Which faces of a person's own there are, and where their bytes come from: whoever keeps them says so. */
class OwnFaces {
  names: readonly OwnFace[] = [];
  private readFile: (name: OwnFace) => Promise<Uint8Array | null> = async () => null;
  private readonly listeners = new Set<() => void>();

  /** Called when there are others. Gives a function that ends it. */
  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  become(names: readonly OwnFace[], read: (name: OwnFace) => Promise<Uint8Array | null>): void {
    this.names = names;
    this.readFile = read;
    for (const listener of this.listeners) listener();
  }

  /** Rejects when it is not kept any more. */
  async read(name: OwnFace): Promise<Uint8Array> {
    const bytes = await this.readFile(name);
    if (!bytes) throw new Error(`The font file kept as "${name}" is not there.`);
    return bytes;
  }

  /** All of them with their bytes; those that are not there are left out: empty boxes stand for their signs then. */
  async files(): Promise<OwnFaceFile[]> {
    const files = await Promise.all(
      this.names.map(async (name) => ({ name, bytes: await this.readFile(name) })),
    );
    return files.flatMap(({ name, bytes }) => (bytes ? [{ name, bytes }] : []));
  }
}

export const ownFaces = new OwnFaces();
