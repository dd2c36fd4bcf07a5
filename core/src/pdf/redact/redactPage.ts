import {
  PDFName,
  type PDFObject,
  type PDFPage,
  type PDFRawStream,
  type PDFRef,
  type PDFStream,
} from '@cantoo/pdf-lib';
import { rewriteContent } from '../content/rewrite.ts';
import type { Gone } from './gone.ts';
import { type Redacting, RedactPass } from './redactPass.ts';
import { type PictureWays, redactPicture } from './redactPicture.ts';
import { forgetSections } from './structure.ts';
import type { RedactTrouble } from './trouble.ts';

/** What became of a page of which something was to be gone. */
export interface RedactedPage {
  /** Pictures that lay beneath in part and are gone whole, since they could not be read. */
  readonly picturesLost: number;
  /** Why something may be left; null where nothing is. */
  readonly trouble: RedactTrouble | null;
  /** Forms and pictures in whose place others are drawn, or nothing. */
  readonly replaced: readonly PDFStream[];
}

/** Of a page, beside what it shows: small pictures of it, and what programs have noted for themselves. */
const BESIDE = ['Thumb', 'PieceInfo', 'Metadata'];

/**
 * Takes everything out of a page's content that is to be gone: letters, lines, fills, the pixels of pictures; and what the structure of a
 * tagged file says in their place. All else is as it was.
 */
export async function redactPage(
  page: PDFPage,
  gone: Gone,
  ways: PictureWays,
): Promise<RedactedPage> {
  if (gone.areas.length === 0) return { picturesLost: 0, trouble: null, replaced: [] };
  const { context } = page.doc;
  const jobs: { ref: PDFRef; picture: PDFRawStream; its: Gone }[] = [];
  const sections = new Set<number>();
  let picturesLost = 0;
  const redacting: Redacting = {
    ...{ context, gone },
    picture: (picture, its) => {
      const ref = context.nextRef();
      jobs.push({ ref, picture, its });
      return ref;
    },
    touched: (id) => sections.add(id),
    lost: () => picturesLost++,
  };
  const { trouble, replaced } = rewriteContent<RedactTrouble>(
    page,
    (tools) => new RedactPass(tools, redacting),
    true,
  );
  for (const { ref, picture, its } of jobs) {
    const other = await redactPicture(picture, its, ways);
    if (!other) picturesLost++;
    context.assign(ref, other ?? nothing(page));
  }
  forgetSections(page, sections);
  for (const key of BESIDE) page.node.delete(PDFName.of(key));
  return { picturesLost, trouble, replaced };
}

/** A picture of which nothing is seen. */
const nothing = ({ doc: { context } }: PDFPage): PDFObject =>
  context.stream(Uint8Array.of(128), {
    ...{ Type: 'XObject', Subtype: 'Image', ImageMask: true },
    ...{ Width: 1, Height: 1, BitsPerComponent: 1 },
  });
