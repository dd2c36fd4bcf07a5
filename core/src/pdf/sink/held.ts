import {
  JpegEmbedder,
  PDFBool,
  type PDFContext,
  PDFName,
  type PDFRef,
  PDFStream,
  PngEmbedder,
} from '@cantoo/pdf-lib';
import type { FaceName } from '../../type/index.ts';
import type { TextFiles } from '../../copy/index.ts';
import type { DocState, PictureType } from '../../document/index.ts';
import { fromBase64 } from '../../marks/index.ts';
import { pictureHead } from '../../pictures/index.ts';
import { embedFace } from './embedFace.ts';
import type { Holdings } from './registerForm.ts';

/** A picture's bytes as they are put into a document. */
export interface PictureFile {
  readonly bytes: Uint8Array;
  readonly type: PictureType;
}

const COLOURS = PDFName.of('ColorSpace');
const RGB = PDFName.of('DeviceRGB');

/** Where a copy gets the fonts and pictures of its marks. */
export interface HeldFiles extends TextFiles {
  /** A picture by the SHA-256 of its bytes; null when it is not at hand. */
  readonly picture?: (source: string) => Promise<PictureFile | null>;
}

/** The same, with the pictures that a document's tasks carry, by their ids. */
export const withAttachments = ({ attachments }: DocState, files: HeldFiles): HeldFiles => ({
  ...files,
  picture: async (source) => {
    const attachment = attachments.get(source);
    return attachment
      ? { bytes: fromBase64(attachment.data), type: attachment.type }
      : ((await files.picture?.(source)) ?? null);
  },
});

/** The fonts and pictures a document holds, each once, put in when all that use them are there. */
export class Held implements Holdings {
  private readonly fonts: { face: FaceName; ref: PDFRef; glyphs: Map<number, string> }[] = [];
  private readonly pictures = new Map<string, PDFRef>();

  constructor(
    private readonly context: PDFContext,
    private readonly files: HeldFiles,
    readonly rgb: PDFRef | null = null,
    /** Pictures may be smoothed where they are drawn larger: not in PDF/A (ISO 19005-2 6.2.8.1). */
    readonly smooths = true,
  ) {}

  /** A font says of each glyph once what it stands for; where that differs there are two of a face. */
  font(face: FaceName, glyphs: ReadonlyMap<number, string>): PDFRef {
    let font = this.fonts.find(
      (f) =>
        f.face === face &&
        [...glyphs].every(([id, text]) => [undefined, text].includes(f.glyphs.get(id))),
    );
    if (!font) this.fonts.push((font = { face, ref: this.context.nextRef(), glyphs: new Map() }));
    for (const [id, text] of glyphs) font.glyphs.set(id, text);
    return font.ref;
  }

  picture(source: string): PDFRef {
    let ref = this.pictures.get(source);
    if (!ref) this.pictures.set(source, (ref = this.context.nextRef()));
    return ref;
  }

  /** Puts them into the document. @throws RangeError when there is no way to load a face; what loading it rejects with */
  async finish(): Promise<void> {
    const { context, files } = this;
    for (const { face: name, ref, glyphs } of this.fonts) {
      if (!files.face) throw new RangeError(`The face "${name}" is needed and cannot be loaded.`);
      embedFace(context, await files.face(name), glyphs, ref);
    }
    for (const [source, ref] of this.pictures) {
      const embedder = await embedderOf((await files.picture?.(source)) ?? null);
      if (embedder) {
        await embedder.embedIntoContext(context, ref);
        this.asOnScreen(ref);
      }
      // The drawings name it: one that cannot be seen is an empty form.
      else
        context.assign(
          ref,
          context.stream('', { Type: 'XObject', Subtype: 'Form', BBox: [0, 0, 1, 1] }),
        );
    }
  }

  /** As on the screen pictures are smoothed where that is allowed, and their colours are those of screens, which some files have to be told. */
  private asOnScreen(ref: PDFRef): void {
    const picture = this.context.lookup(ref);
    if (!(picture instanceof PDFStream)) return;
    if (this.smooths) picture.dict.set(PDFName.of('Interpolate'), PDFBool.True);
    if (this.rgb && picture.dict.get(COLOURS) === RGB) picture.dict.set(COLOURS, this.rgb);
  }
}

/** What puts a picture into a document; null for one that is not at hand, or that nobody can unpack: the screen leaves it out, too. */
async function embedderOf(file: PictureFile | null): Promise<JpegEmbedder | PngEmbedder | null> {
  if (!file) return null;
  const { bytes, type } = file;
  try {
    // A few bytes can claim pixels without end.
    pictureHead(bytes, '');
    return await (type === 'image/png' ? PngEmbedder : JpegEmbedder).for(bytes);
  } catch {
    // The library fails on damage in many ways; all mean the same here.
    return null;
  }
}
