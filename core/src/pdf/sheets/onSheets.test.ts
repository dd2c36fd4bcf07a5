import { PDFDocument } from '@cantoo/pdf-lib';
import { PdfRefusal } from '../../document/index.ts';
import { cellsOf, paperFor } from './cells.ts';
import { onSheets } from './onSheets.ts';

async function pdf(
  sizes: readonly (readonly [number, number])[],
  filled = true,
): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  for (const [width, height] of sizes) {
    const page = doc.addPage([width, height]);
    if (filled) page.drawText('Quadrat');
  }
  return doc.save();
}
const A4 = [595.28, 841.89] as const;
const sheetsOf = async (bytes: Uint8Array) =>
  (await PDFDocument.load(bytes)).getPages().map((page) => [page.getWidth(), page.getHeight()]);

test('the last sheet may have places that stay white', async () => {
  const bytes = await pdf([A4, A4, A4, A4, A4]);
  expect(await sheetsOf(await onSheets(bytes, { perSheet: 4, room: false }))).toHaveLength(2);
  expect(await sheetsOf(await onSheets(bytes, { perSheet: 2, room: false }))).toEqual(
    Array.from({ length: 3 }, () => [841.89, 595.28]),
  );
});

test('pages of Letter are put on Letter, all others on A4, whichever way they lie', () => {
  expect(paperFor(612, 792)).toEqual({ width: 612, height: 792 });
  expect(paperFor(792, 612)).toEqual({ width: 612, height: 792 });
  for (const [w, h] of [A4, [1190, 842], [300, 300]] as const)
    expect(paperFor(w, h)).toEqual({ width: 595.28, height: 841.89 });
});

test('pages on which nothing stands are there too', async () => {
  const bytes = await pdf([A4, A4], false);
  expect(await sheetsOf(await onSheets(bytes, { perSheet: 1, room: true }))).toHaveLength(2);
});

test('what pages share is in the file once', async () => {
  const [one, many] = [1, 40];
  const sizes: number[] = [];
  for (const count of [one, many]) {
    const file = await PDFDocument.create();
    const font = await file.embedFont('Helvetica');
    for (let k = 0; k < count; k++) file.addPage().drawText('Tide', { font });
    const out = await onSheets(await file.save(), { perSheet: 4, room: false });
    sizes.push((await PDFDocument.load(out)).context.enumerateIndirectObjects().length);
  }
  // A page adds its own content and resources, a sheet its content; no font.
  expect((sizes[1] - sizes[0]) / (many - one)).toBeLessThan(3.5);
});

test('no cell overlaps another or leaves the paper', () => {
  for (const perSheet of [1, 2, 4] as const)
    for (const room of [false, true]) {
      const { width, height, cells } = cellsOf({ perSheet, room }, { width: 612, height: 792 });
      const boxes = cells.flatMap(({ page, room: beside }) => (beside ? [page, beside] : [page]));
      expect(cells).toHaveLength(perSheet);
      for (const [i, a] of boxes.entries()) {
        expect(Math.min(a.x, a.y)).toBeGreaterThanOrEqual(23.9);
        expect(a.x + a.width).toBeLessThanOrEqual(width - 23.9);
        expect(a.y + a.height).toBeLessThanOrEqual(height - 23.9);
        for (const b of boxes.slice(i + 1))
          expect(
            a.x + a.width <= b.x + 0.01 ||
              b.x + b.width <= a.x + 0.01 ||
              a.y + a.height <= b.y + 0.01 ||
              b.y + b.height <= a.y + 0.01,
          ).toBe(true);
      }
    }
});

test('what is no PDF is refused', async () => {
  await expect(onSheets(new Uint8Array(3), { perSheet: 2, room: false })).rejects.toThrow(
    PdfRefusal,
  );
});
