import { type BlockSetter, type Drawing, setDrawing, textBlocksIn } from '@marginalis/core/drawing';
import {
  type Face,
  type FaceName,
  facesOfBlock,
  fallbacksOfBlock,
  type Fonts,
  loadTypesetter,
  OWN_FACES,
  type OwnFace,
  type SetBlock,
  type TextBlock,
  type Typesetter,
} from '@marginalis/core/type';

/** What drawings' text is set with. */
export interface SettingFonts extends Fonts {
  readonly setBlock: BlockSetter;
}

/** The faces that are loaded: each when it is first asked for, kept from then on, and what was set with them. */
export class LoadedFonts implements SettingFonts {
  private readonly faces = new Map<FaceName, Face>();
  private readonly coming = new Map<FaceName, Promise<void>>();
  private set = new WeakMap<TextBlock, SetBlock>();
  private readonly listeners = new Set<() => void>();
  private typesetter: Typesetter | null = null;
  /** How many faces have come; another number, another picture. */
  private count = 0;

  constructor(
    private readonly read: (name: FaceName) => Promise<Uint8Array>,
    private readonly load: () => Promise<Typesetter> = loadTypesetter,
    private readonly ownNames: () => readonly OwnFace[] = () => [],
  ) {}

  get own(): readonly OwnFace[] {
    return this.ownNames();
  }

  /** A person's own faces are others now: what was set is set anew. */
  renewOwn = (): void => {
    for (const name of OWN_FACES) this.faces.delete(name);
    this.set = new WeakMap();
    this.came();
  };

  /** Called when a face has come. Gives a function that ends it. */
  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  version = (): number => this.count;

  face(name: FaceName): Face | null {
    const face = this.faces.get(name) ?? null;
    // Without a network on the very first visit: asked for again, it is tried again.
    if (!face) this.bring(name).catch((e) => console.warn('A face could not be loaded.', e));
    return face;
  }

  setBlock = (block: TextBlock): SetBlock | null => {
    const known = this.set.get(block);
    if (known) return known;
    const faces = facesOfBlock(block).map((name) => this.face(name));
    if (!this.typesetter || faces.includes(null)) return null;
    // What these lack is asked for as it is set.
    const set = this.typesetter.setBlock(block, this);
    if (
      set.missing.length > 0 &&
      fallbacksOfBlock(block, this.own).some((name) => this.coming.has(name))
    )
      return null;
    this.set.set(block, set);
    return set;
  };

  /** Sets a block as soon as its faces are there. Rejects when one cannot be loaded. */
  async settle(block: TextBlock): Promise<SetBlock> {
    await Promise.all(facesOfBlock(block).map((name) => this.bring(name)));
    // Twice: what its faces lack may be in others.
    if (!this.setBlock(block))
      await Promise.all(fallbacksOfBlock(block, this.own).map((name) => this.bring(name)));
    const set = this.setBlock(block);
    if (!set) throw new Error('The faces of a text did not stay loaded.');
    return set;
  }

  /** A drawing with all its text in glyphs. Rejects when a face cannot be loaded. */
  async settleDrawing(drawing: Drawing): Promise<Drawing> {
    await Promise.all(textBlocksIn(drawing).map((block) => this.settle(block)));
    return setDrawing(drawing, this.setBlock);
  }

  /** Loads a face that is not there and not on its way. */
  private bring(name: FaceName): Promise<void> {
    if (this.faces.has(name)) return Promise.resolve();
    let coming = this.coming.get(name);
    if (!coming) {
      coming = this.loadFace(name).finally(() => this.coming.delete(name));
      this.coming.set(name, coming);
    }
    return coming;
  }

  private async loadFace(name: FaceName): Promise<void> {
    const [typesetter, bytes] = await Promise.all([this.load(), this.read(name)]);
    this.typesetter = typesetter;
    this.faces.set(name, typesetter.openFace(name, bytes));
    this.came();
  }

  private came(): void {
    this.count++;
    for (const listener of this.listeners) listener();
  }
}
