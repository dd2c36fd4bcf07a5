import { photograph } from '../../testing/photographs.ts';
import { inspectPdf } from './inspect.ts';
import { paperOf, pdfOfPictures } from './pdfOfPictures.ts';

test('each picture fills a page; what has the shape of a usual paper is on it', async () => {
  const bytes = new Uint8Array(photograph(210, 297));
  const wide = new Uint8Array(photograph(400, 200));
  const told = await inspectPdf(
    await pdfOfPictures([
      { bytes, width: 210, height: 297 },
      { bytes: wide, width: 400, height: 200 },
    ]),
  );
  const sizes = told.pages.map(({ box: { minX, minY, maxX, maxY } }) => [maxX - minX, maxY - minY]);
  expect(sizes[0]).toEqual([expect.closeTo(595.28), expect.closeTo(841.89)]);
  expect(sizes[1][0] / sizes[1][1]).toBeCloseTo(2);
  expect(told.scanned).toBe(true);
});

test('a sheet lying down lies down, and letter paper is told from A4', () => {
  expect(paperOf({ width: 2970, height: 2100 })).toEqual({ width: 841.89, height: 595.28 });
  expect(paperOf({ width: 850, height: 1100 })).toEqual({ width: 612, height: 792 });
});

test('what is no JPEG is refused', async () => {
  const bytes = new TextEncoder().encode('no picture');
  await expect(pdfOfPictures([{ bytes, width: 1, height: 1 }])).rejects.toThrow();
});
