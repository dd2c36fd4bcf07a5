import type { PDFDocument, PDFPage, PDFStream } from '@cantoo/pdf-lib';
import type { DocState } from '../../document/index.ts';
import { areasOfQuads, type Quad } from '../../print/index.ts';
import { drawOverPage, mendContents } from '../appendContent.ts';
import { pageGeometry } from '../pages/geometry.ts';
import type { Deflate } from '../sink/formWriter.ts';
import type { Layer } from '../sink/layer.ts';
import type { PictureTools } from '../smaller/pictureTools.ts';
import { takeOffBeneath } from './annotationsBeneath.ts';
import { isRedacted } from './beneath.ts';
import { phrasesOf, redactBeside } from './redactBeside.ts';
import { redactPage } from './redactPage.ts';
import { RedactionFailed } from './trouble.ts';

/** What went with what lay beneath bars. */
export interface Redacted {
  /** Pictures that could not be read and are gone whole. */
  readonly picturesLost: number;
  /** Files that were attached. */
  readonly attachments: number;
}

/** Takes what lies beneath bars out of a file, page by page, and then out of what stands beside its pages. */
export class Redaction {
  private readonly isThere: boolean;
  private picturesLost = 0;

  constructor(
    private readonly document: DocState,
    private readonly ways: { readonly draw?: PictureTools['draw']; readonly deflate?: Deflate },
    /** Told what is drawn no more. */
    private readonly replaced: Set<PDFStream>,
  ) {
    this.isThere = isRedacted(document);
  }

  /**
   * What is drawn on the page must stand in the document by now, fonts and pictures with it: what is not there cannot be told apart.
   * @param index from 0
   * @param layer what annotations show of which some lies beneath is drawn into it; links alone are taken off without
   * @throws RedactionFailed
   */
  async page(
    page: PDFPage,
    index: number,
    quads: readonly Quad[],
    layer: Layer | null = null,
  ): Promise<void> {
    const areas = areasOfQuads(quads);
    if (areas.length === 0) return;
    const { context } = page.doc;
    const { draw } = this.ways;
    const deflate: Deflate =
      this.ways.deflate ?? (async (bytes) => context.flateStream(bytes).getContents());
    takeOffBeneath(page, areas, layer);
    if (layer && !layer.isEmpty) {
      mendContents(page);
      drawOverPage(page, [{ form: await layer.finish(pageGeometry(page).box, deflate) }]);
    }
    const done = await redactPage(page, areas, { deflate, ...(draw ? { draw } : {}) });
    if (done.trouble) throw new RedactionFailed(index, done.trouble);
    this.picturesLost += done.picturesLost;
    for (const one of done.replaced) this.replaced.add(one);
  }

  /** Null where there was nothing to take out. */
  beside(doc: PDFDocument): Redacted | null {
    if (!this.isThere) return null;
    return {
      picturesLost: this.picturesLost,
      attachments: redactBeside(doc, phrasesOf(this.document)),
    };
  }
}
