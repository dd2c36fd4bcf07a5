import type { Page } from '@marginalis/core/document';
import type { FileLink } from '@marginalis/core/links';
import type { SourcePictures } from '@/stage';

/** What a file says of the way through it. */
type FileGuide = NonNullable<ReturnType<SourcePictures>>['guide'];

const NONE: readonly FileLink[] = [];
/** Links that have been read, by file and page. */
const known = new WeakMap<FileGuide, Map<number, readonly FileLink[]>>();

function knownOf(pictures: SourcePictures, { shows }: Page) {
  const file = 'paper' in shows ? null : pictures(shows.source)?.guide;
  if (!file || 'paper' in shows) return null;
  let pages = known.get(file);
  if (!pages) known.set(file, (pages = new Map()));
  return { file, pages, index: shows.index };
}

/** The links that the file of a page has on it; none where they cannot be read. */
export async function readFileLinks(
  pictures: SourcePictures,
  page: Page,
): Promise<readonly FileLink[]> {
  const at = knownOf(pictures, page);
  if (!at) return NONE;
  const links = at.pages.get(at.index);
  if (links) return links;
  try {
    const read = await at.file.linksOn(at.index);
    at.pages.set(at.index, read);
    return read;
  } catch (e) {
    console.warn('The links of a page were not read.', e);
    return NONE;
  }
}

/** The same, if they have been read already. */
export function knownFileLinks(pictures: SourcePictures, page: Page): readonly FileLink[] {
  const at = knownOf(pictures, page);
  return at?.pages.get(at.index) ?? NONE;
}
