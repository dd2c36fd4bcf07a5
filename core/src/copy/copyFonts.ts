import { type BlockSetter, type Drawing, setDrawing, textBlocksIn } from '../drawing/index.ts';
import {
  type Face,
  type FaceName,
  facesFor,
  facesOfBlock,
  fallbacksFor,
  fallbacksOfBlock,
  type Fonts,
  type OwnFace,
  type TextBlock,
  type Typesetter,
} from '../type/index.ts';

/** What sets the text of a copy: the typesetter's own functions. */
export type TextSetter = Pick<Typesetter, 'setText' | 'placeText' | 'setBlock'>;

/** Where a copy gets the faces that its text is set in, and what sets it. */
export interface TextFiles {
  /** Loads a face; rejects when it cannot be had. */
  readonly face?: (name: FaceName) => Promise<Face>;
  /** A person's own faces, which are tried last. */
  readonly own?: readonly OwnFace[];
  readonly typesetter?: TextSetter;
}

/** Thrown when a copy has text, and nothing to set it with. */
export class NoTypesetter extends Error {
  override readonly name = 'NoTypesetter';
}

/** The faces of one copy, each loaded when it is first needed. */
export class CopyFonts implements Fonts {
  private readonly loaded = new Map<FaceName, Face>();
  /** Faces whose licence does not let them into a copy: their signs are left out, as those that no face has. */
  private readonly forbidden = new Set<FaceName>();

  constructor(private readonly files: TextFiles) {}

  face = (name: FaceName): Face | null => this.loaded.get(name) ?? null;

  get own(): readonly OwnFace[] {
    return this.files.own ?? [];
  }

  /** @throws NoTypesetter */
  get typesetter(): TextSetter {
    const { typesetter } = this.files;
    if (!typesetter)
      throw new NoTypesetter('There is text in the copy, and nothing to set it with.');
    return typesetter;
  }

  /** @throws NoTypesetter; what loading a face rejects with */
  async load(names: Iterable<FaceName>): Promise<void> {
    const { face } = this.files;
    for (const name of names) {
      if (this.loaded.has(name) || this.forbidden.has(name)) continue;
      if (!face)
        throw new NoTypesetter('There is text in the copy, and its faces cannot be loaded.');
      const loaded = await face(name);
      if (loaded.mayEmbed) this.loaded.set(name, loaded);
      else this.forbidden.add(name);
    }
  }

  /** Loads the faces for a text that wants to be set in one. @throws as {@link load} does */
  async loadFor(text: string, wanted: FaceName): Promise<void> {
    const names = facesFor(text, wanted);
    await this.load(names);
    const isThere = (char: string): boolean =>
      names.some((name) => this.face(name)?.has(char.codePointAt(0) ?? 0));
    if (![...text].every(isThere)) await this.load(fallbacksFor(wanted, this.own));
  }

  /** The drawing with all its text in glyphs. @throws as {@link load} does */
  async set(drawing: Drawing): Promise<Drawing> {
    const blocks = textBlocksIn(drawing);
    if (blocks.length === 0) return drawing;
    await this.load(blocks.flatMap(facesOfBlock));
    const { typesetter } = this;
    const lacking = blocks.filter((block) => typesetter.setBlock(block, this).missing.length > 0);
    await this.load(lacking.flatMap((block) => fallbacksOfBlock(block, this.own)));
    const setter: BlockSetter = (block: TextBlock) => typesetter.setBlock(block, this);
    return setDrawing(drawing, setter);
  }
}
