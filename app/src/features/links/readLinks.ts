import type { Page } from '@marginalis/core/document';
import type { Vec } from '@marginalis/core/geometry';
import type { SourcePictures } from '@/stage';
import type { FileLink, PdfGuide } from '@/work';

/** Links that have been read, by file and page. */
const known = new WeakMap<PdfGuide, Map<number, readonly FileLink[]>>();

function knownOf(pictures: SourcePictures, { shows }: Page) {
  const file = 'paper' in shows ? null : pictures(shows.source)?.guide;
  if (!file || 'paper' in shows) return null;
  let pages = known.get(file);
  if (!pages) known.set(file, (pages = new Map()));
  return { file, pages, index: shows.index };
}

/** The links of a page; none where they cannot be read. */
export async function readLinks(
  pictures: SourcePictures,
  page: Page,
): Promise<readonly FileLink[]> {
  const at = knownOf(pictures, page);
  if (!at) return [];
  const links = at.pages.get(at.index);
  if (links) return links;
  try {
    const read = await at.file.linksOn(at.index);
    at.pages.set(at.index, read);
    return read;
  } catch (e) {
    console.warn('The links of a page were not read.', e);
    return [];
  }
}

/** The link at a place of a page, in user space, among those that have been read, or the nearest one no farther away than `reach` points. */
export function linkAt(
  pictures: SourcePictures,
  page: Page,
  { x, y }: Vec,
  reach = 0,
): FileLink | null {
  const at = knownOf(pictures, page);
  let best: FileLink | null = null;
  let nearest = reach;
  for (const link of at?.pages.get(at.index) ?? []) {
    const { minX, minY, maxX, maxY } = link.area;
    const away = Math.hypot(Math.max(minX - x, 0, x - maxX), Math.max(minY - y, 0, y - maxY));
    if (away > nearest) continue;
    nearest = away;
    best = link;
  }
  return best;
}
