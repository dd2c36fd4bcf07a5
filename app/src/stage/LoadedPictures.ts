import type { Attachment } from '@marginalis/core/document';
import type { Drawing } from '@marginalis/core/drawing';

/** Where the pictures of open documents are found. */
export type FindAttachment = (id: string) => Attachment | null;

/** A picture that can be painted. */
export type Painted = CanvasImageSource & { close(): void; width: number; height: number };

/** Pixels that are kept unpacked, of four bytes each; what was painted longest ago goes first, and nothing that is in sight. */
const MOST_PIXELS = 60_000_000;
/** Those that come soon after one another are painted at once, ms. */
const TOGETHER = 60;

/** Pictures that marks show, unpacked when they are first painted; each is called by what its bytes are. */
export class LoadedPictures {
  private readonly finders = new Set<FindAttachment>();
  /** In the order they were last painted. */
  private readonly unpacked = new Map<string, Painted>();
  /** Those that were asked for since everything was painted anew: more of them than there is room for would be unpacked again and again. */
  private readonly inSight = new Set<string>();
  private readonly coming = new Map<string, Promise<void>>();
  private readonly broken = new Set<string>();
  private readonly addresses = new WeakMap<Attachment, string>();
  private readonly listeners = new Set<() => void>();
  private timer: ReturnType<typeof setTimeout> | null = null;
  private count = 0;

  constructor(private readonly unpack: (picture: Attachment) => Promise<Painted>) {}

  /** Looks for pictures there, too. Gives a function that ends it. */
  from = (find: FindAttachment): (() => void) => {
    this.finders.add(find);
    this.came();
    return () => this.finders.delete(find);
  };

  /** Called when pictures have come. Gives a function that ends it. */
  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  version = (): number => this.count;

  /** One that is not there yet is brought, and told when it is. */
  picture = (id: string): Painted | null => {
    this.inSight.add(id);
    const known = this.unpacked.get(id);
    if (!known) {
      this.bring(id).catch((e: unknown) => console.warn('A picture could not be unpacked.', e));
      return null;
    }
    this.unpacked.delete(id);
    this.unpacked.set(id, known);
    return known;
  };

  /** Where it is for what shows pictures by their address; null where no document has it. */
  address = (id: string): string | null => {
    const attachment = this.find(id);
    if (!attachment) return null;
    let address = this.addresses.get(attachment);
    if (address === undefined) {
      address = `data:${attachment.type};base64,${attachment.data}`;
      this.addresses.set(attachment, address);
    }
    return address;
  };

  /** Waits for all pictures of a drawing; those that cannot be unpacked are left out when it is painted. */
  async settle(drawing: Drawing): Promise<void> {
    await Promise.allSettled(picturesIn(drawing).map((id) => this.bring(id)));
  }

  private find(id: string): Attachment | null {
    for (const find of this.finders) {
      const attachment = find(id);
      if (attachment) return attachment;
    }
    return null;
  }

  private bring(id: string): Promise<void> {
    if (this.unpacked.has(id) || this.broken.has(id)) return Promise.resolve();
    let coming = this.coming.get(id);
    if (!coming) {
      const attachment = this.find(id);
      if (!attachment) return Promise.resolve();
      coming = this.load(attachment).finally(() => this.coming.delete(id));
      this.coming.set(id, coming);
    }
    return coming;
  }

  private async load(attachment: Attachment): Promise<void> {
    const { id } = attachment;
    try {
      this.unpacked.set(id, await this.unpack(attachment));
    } catch (e) {
      // Asked for again it would fail again, in every frame.
      this.broken.add(id);
      throw e;
    }
    this.makeRoom();
    this.timer ??= setTimeout(() => {
      this.timer = null;
      this.came();
    }, TOGETHER);
  }

  private makeRoom(): void {
    let pixels = 0;
    for (const { width, height } of this.unpacked.values()) pixels += width * height;
    for (const [id, { width, height }] of this.unpacked) {
      if (pixels <= MOST_PIXELS) return;
      if (this.inSight.has(id)) continue;
      this.unpacked.get(id)?.close();
      this.unpacked.delete(id);
      pixels -= width * height;
    }
  }

  private came(): void {
    this.inSight.clear();
    this.count++;
    for (const listener of this.listeners) listener();
  }
}

const picturesIn = (drawing: Drawing): string[] =>
  drawing.flatMap((item) =>
    item.is === 'picture' ? [item.source] : item.is === 'group' ? picturesIn(item.items) : [],
  );
