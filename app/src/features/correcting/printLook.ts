import type { Page } from '@marginalis/core/document';
import {
  boxOfPoints,
  displayMatrix,
  distance,
  growBox,
  transformBox,
  type Vec,
} from '@marginalis/core/geometry';
import { aroundQuad, type Quad } from '@marginalis/core/print';
import { BYTES_GONE, pageFile } from '@/session';
import { type Jobs, startWork } from '@/work';

/**
 * How print within a quad looks, its type so many points large, and the paper around it; why that is not known, in words.
 * @param ofLine as most of its line does
 */
export async function printLook(
  page: Page,
  quad: Quad,
  size: number,
  ofLine = false,
): Promise<Jobs['lineLook']['answer'] | string> {
  const { shows } = page;
  if ('paper' in shows) return 'There is no print on this page.';
  const file = await pageFile(shows);
  if (!file) return BYTES_GONE;
  const [head, , foot, footEnd] = quad;
  // Within the first letter.
  const along = Math.min(1, size / Math.max(1, distance(foot, footEnd)));
  const at: Vec = {
    x: foot.x + (footEnd.x - foot.x) * along * 0.25 + (head.x - foot.x) * 0.4,
    y: foot.y + (footEnd.y - foot.y) * along * 0.25 + (head.y - foot.y) * 0.4,
  };
  // As the file has it: how the person turned the page is another matter.
  const came = { ...page, rotate: ((page.rotate - page.turn + 360) % 360) as Page['rotate'] };
  const sheet = { ...came, box: page.sheet };
  const area = transformBox(displayMatrix(sheet), growBox(boxOfPoints(aroundQuad(quad)), 1));
  const seen = await startWork('lineLook', { ...file, at, area, ofLine }).result;
  if (seen.ok) return seen.value;
  return 'message' in seen.failure ? seen.failure.message : '';
}
