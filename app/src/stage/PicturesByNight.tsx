import type { Page } from '@marginalis/core/document';
import { type Box, displayMatrix, displaySize, transformBox } from '@marginalis/core/geometry';
import { useEffect, useState } from 'react';
import { Area } from '@/ui';
import { NIGHT_FILTER } from './look';
import type { SourcePages } from './paperSource';

/** A picture that covers more of its page than this is a scan: print, which is turned dark with the page. */
const SCAN = 0.7;

/** Over the pictures of a page that is seen dark: turned once more they are as they were. */
export function PicturesByNight({ page, pictures }: { page: Page; pictures: SourcePages }) {
  const [boxes, setBoxes] = useState<readonly Box[]>([]);
  const { width, height } = displaySize(page);
  useEffect(() => {
    const { shows } = page;
    const file = 'paper' in shows ? null : pictures(shows.source);
    if (!file || 'paper' in shows) return undefined;
    let isGone = false;
    file.picturesOn(shows.index).then(
      (found) => isGone || setBoxes(found),
      // Then its pictures are dark too.
      (e: unknown) => console.warn('The pictures of a page were not found.', e),
    );
    return () => {
      isGone = true;
    };
  }, [page, pictures]);
  const matrix = displayMatrix(page);
  const share = (part: number, whole: number): string => `${(100 * part) / whole}%`;
  return boxes
    .map((box) => transformBox(matrix, box))
    .filter((b) => (b.maxX - b.minX) * (b.maxY - b.minY) < SCAN * width * height)
    .map((b, k) => (
      <Area
        key={k}
        data-testid="picture-by-night"
        style={{
          position: 'absolute',
          left: share(b.minX, width),
          top: share(b.minY, height),
          width: share(b.maxX - b.minX, width),
          height: share(b.maxY - b.minY, height),
          backdropFilter: NIGHT_FILTER,
        }}
      />
    ));
}
