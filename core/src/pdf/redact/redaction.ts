import type { PDFDocument, PDFPage, PDFRef } from '@cantoo/pdf-lib';
import type { DocState } from '../../document/index.ts';
import type { Quad } from '../../print/index.ts';
import { drawOverPage, mendContents, type Over } from '../appendContent.ts';
import type { MarkLayer } from '../markLayer.ts';
import { pageGeometry } from '../pages/geometry.ts';
import { type EncodedForm, isEmptyForm } from '../sink/encodedForm.ts';
import type { Deflate } from '../sink/formWriter.ts';
import type { Layer } from '../sink/layer.ts';
import type { PictureTools } from '../smaller/packPicture.ts';
import { takeOffBeneath } from './annotationsBeneath.ts';
import { areasOfBars } from '../../derived/index.ts';
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
  ) {
    this.isThere = isRedacted(document);
  }

  /**
   * @param index from 0
   * @param layer what annotations show of which some lies beneath is drawn into it; links alone are taken off without
   * @returns whether there are bars
   * @throws RedactionFailed
   */
  async page(
    page: PDFPage,
    index: number,
    quads: readonly Quad[],
    layer: Layer | null = null,
  ): Promise<boolean> {
    const areas = areasOfBars(quads);
    if (areas.length === 0) return false;
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
    return true;
  }

  /** Null where there was nothing to take out. */
  beside(doc: PDFDocument): Redacted | null {
    if (!this.isThere) return null;
    const { attachments } = redactBeside(doc, phrasesOf(this.document));
    return { picturesLost: this.picturesLost, attachments };
  }
}

/** The bars of a page, to be drawn above all else. */
export const barsOver = (
  { bars }: MarkLayer,
  register: (form: EncodedForm) => PDFRef,
): readonly Over[] => (bars && !isEmptyForm(bars) ? [{ form: register(bars) }] : []);
