import {
  changeBetween,
  cropped,
  differingShare,
  marksApart,
  type Picture,
  without,
} from './pictures';
import { prove } from '../../cli/proving';
import { markedCopy, placeOfMarks } from './markedCopy';
import { complaintOfQpdf, newComplaints, streamsOf, textOf, withFile } from './programs';
import { READER_NAMES, type ReaderName, READERS } from './readers';

/** How a marked copy stands against its source. */
export interface CopyReport {
  readonly pages: number;
  /** What qpdf has against the copy; null when it is sound. */
  readonly qpdf: string | null;
  /** What MuPDF says of the copy but not of the source. */
  readonly mupdf: readonly string[];
  readonly sameText: boolean;
  /** Streams both have, and the object numbers of those that decode to other bytes. */
  readonly streams: { readonly both: number; readonly changed: readonly number[] };
  /** The largest share of blocks that differ away from the marks, by reader; a sentence where one gave up. */
  readonly outside: Readonly<Partial<Record<ReaderName, number | string>>>;
  /** Pages, from 1, that the proof finds unlike; a sentence where it gave up. */
  readonly unlike: readonly number[] | string;
  /** How far the marks are apart from PDFium's, by reader. */
  readonly inside: Readonly<Partial<Record<ReaderName, number>>>;
}

const DPI = 72;

/** A few pages of all, the first and the last among them. */
export function sampled(count: number, most: number): number[] {
  if (most === 1) return [0];
  if (count <= most) return Array.from({ length: count }, (_, i) => i);
  return Array.from({ length: most }, (_, i) => Math.round((i * (count - 1)) / (most - 1)));
}

/** Makes a marked copy of `source` (not locked) and holds it against it; pictures of `most` pages. */
export async function checkCopy(source: Uint8Array, most: number): Promise<CopyReport> {
  const { pages, document, copy } = await markedCopy(source, (all) => sampled(all.length, most));
  const bare = (await markedCopy(source, () => [])).copy;
  const marked = sampled(pages.length, most);
  const [before, after] = [streamsOf(source), streamsOf(copy.bytes)];
  const both = [...after.keys()].filter((number) => before.has(number));
  const outside: Partial<Record<ReaderName, number | string>> = {};
  /** What the marks alone change on each page. */
  const changes: Partial<Record<ReaderName, readonly Picture[]>> = {};
  for (const name of READER_NAMES) {
    const draw = async (bytes: Uint8Array): Promise<readonly Picture[]> => {
      const numbers = marked.map((i) => i + 1);
      const pictures = await withFile(bytes, (path) => READERS[name](path, numbers, DPI));
      return numbers.map((number) => pictures.get(number) as Picture);
    };
    const was = await draw(source).catch(() => null);
    // A reader that does not open the source says nothing about the copy.
    if (!was) continue;
    try {
      const [unmarked, is] = [await draw(bare.bytes), await draw(copy.bytes)];
      outside[name] = Math.max(
        ...marked.map((page, i) => {
          const place = placeOfMarks(pages[page], DPI);
          return differingShare(without(was[i], place), without(is[i], place));
        }),
      );
      changes[name] = is.map((picture, i) => changeBetween(unmarked[i], picture));
    } catch (e) {
      outside[name] = e instanceof Error ? e.message : String(e);
    }
  }
  const inside: Partial<Record<ReaderName, number>> = {};
  for (const name of READER_NAMES) {
    const [theirs, yardstick] = [changes[name], changes.PDFium];
    if (name !== 'PDFium' && theirs && yardstick)
      inside[name] = Math.max(...theirs.map((change, i) => apart(change, yardstick[i])));
  }
  const asked = { source, document, annotated: copy.annotatedPages };
  const unlike = await prove(asked, copy.bytes).then(
    ({ proof }) => proof.pages.flatMap(({ alike, index }) => (alike ? [] : [index + 1])),
    (e: unknown) => String(e),
  );
  return {
    unlike,
    pages: pages.length,
    qpdf: complaintOfQpdf(copy.bytes),
    mupdf: newComplaints(source, copy.bytes),
    sameText: textOf(copy.bytes) === textOf(source),
    streams: {
      both: both.length,
      changed: both.filter((number) => before.get(number) !== after.get(number)),
    },
    outside,
    inside,
  };
}

/** Readers round the size of a page differently by a pixel. */
function apart(a: Picture, b: Picture): number {
  const [width, height] = [Math.min(a.width, b.width), Math.min(a.height, b.height)];
  return marksApart(cropped(a, width, height), cropped(b, width, height));
}
