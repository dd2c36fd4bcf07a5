import type { PDFDocument, PDFPage, PDFStream } from '@cantoo/pdf-lib';
import { phrasesBeneath } from '../../derived/index.ts';
import type { DocState } from '../../document/index.ts';
import type { Box } from '../../geometry/index.ts';
import type { Quad } from '../../print/index.ts';
import { drawOverPage, mendContents } from '../appendContent.ts';
import { pageGeometry, shrinkTo } from '../pages/geometry.ts';
import type { Deflate } from '../sink/formWriter.ts';
import type { Layer } from '../sink/layer.ts';
import type { PictureTools } from '../smaller/pictureTools.ts';
import { takeOffBeneath } from './annotationsBeneath.ts';
import { isRedacted } from './beneath.ts';
import { beneathBars, cutAway, type Gone } from './gone.ts';
import { redactBeside } from './redactBeside.ts';
import { redactPage } from './redactPage.ts';
import { RedactionFailed, type RedactTrouble } from './trouble.ts';

/** What went with what lay beneath bars. */
export interface Redacted {
  /** Files that were attached. */
  readonly attachments: number;
}

/** Takes what lies beneath bars out of a file, or beyond what is seen of its pages, page by page, and then out of what stands beside them. */
export class Redaction {
  private readonly isThere: boolean;
  private lost = 0;

  constructor(
    private readonly document: DocState,
    private readonly ways: { readonly draw?: PictureTools['draw']; readonly deflate?: Deflate },
    /** Told what is drawn no more. */
    private readonly replaced: Set<PDFStream>,
  ) {
    this.isThere = isRedacted(document);
  }

  /**
   * Takes out what lies beneath bars. What is drawn on the page must stand in the document by now, fonts and pictures with it: what is not there cannot be told apart.
   * @param index from 0
   * @param layer what annotations show of which some lies beneath is drawn into it
   * @throws RedactionFailed
   */
  async page(
    page: PDFPage,
    index: number,
    quads: readonly Quad[],
    layer: Layer | null = null,
  ): Promise<void> {
    const gone = beneathBars(quads);
    if (gone.areas.length === 0) return;
    takeOffBeneath(page, gone, layer);
    if (layer && !layer.isEmpty) {
      mendContents(page);
      const form = await layer.finish(pageGeometry(page).box, this.deflateFor(page));
      drawOverPage(page, [{ form }]);
    }
    const trouble = await this.takeOut(page, gone);
    if (trouble) throw new RedactionFailed(index, trouble);
  }

  /**
   * Takes out what lies beyond what is seen of a page, of which nothing is left than that.
   * @param index from 0
   * @throws RedactionFailed
   */
  async around(page: PDFPage, index: number, seen: Box): Promise<void> {
    const gone = cutAway(seen);
    takeOffBeneath(page, gone, null);
    const trouble = await this.takeOut(page, gone);
    if (trouble) throw new RedactionFailed(index, trouble, 'cut');
    shrinkTo(page, seen);
  }

  private async takeOut(page: PDFPage, gone: Gone): Promise<RedactTrouble | null> {
    const { draw } = this.ways;
    const ways = { deflate: this.deflateFor(page), ...(draw ? { draw } : {}) };
    const done = await redactPage(page, gone, ways);
    this.lost += done.picturesLost;
    for (const one of done.replaced) this.replaced.add(one);
    return done.trouble;
  }

  private deflateFor({ doc: { context } }: PDFPage): Deflate {
    return this.ways.deflate ?? (async (bytes) => context.flateStream(bytes).getContents());
  }

  /** Pictures that could not be read and are gone whole. */
  get picturesLost(): number {
    return this.lost;
  }

  /** Null where no bars lie. */
  beside(doc: PDFDocument): Redacted | null {
    return this.isThere ? { attachments: redactBeside(doc, phrasesBeneath(this.document)) } : null;
  }
}
