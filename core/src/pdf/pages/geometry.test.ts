import { PDFDocument, PDFName, PDFNumber, type PDFPage } from '@cantoo/pdf-lib';
import { fixGeometry, pageGeometry } from './geometry.ts';

async function page(
  entries: Record<string, unknown>,
  parent: Record<string, unknown> = {},
): Promise<PDFPage> {
  const doc = await PDFDocument.create();
  const made = doc.addPage([300, 400]);
  made.node.delete(PDFName.of('MediaBox'));
  for (const [key, value] of Object.entries(entries))
    made.node.set(PDFName.of(key), doc.context.obj(value as never));
  const tree = made.node.Parent();
  for (const [key, value] of Object.entries(parent))
    tree?.set(PDFName.of(key), doc.context.obj(value as never));
  return made;
}
const told = async (entries: Record<string, unknown>, parent = {}) => {
  const { box, rotate, userUnit } = pageGeometry(await page(entries, parent));
  return [box.minX, box.minY, box.maxX, box.maxY, rotate, userUnit];
};

test.each([
  ['its own box', { MediaBox: [0, 0, 300, 400] }, {}, [0, 0, 300, 400, 0, 1]],
  [
    'an inherited box, turn and crop',
    {},
    { MediaBox: [0, 0, 300, 400], CropBox: [10, 20, 200, 300], Rotate: 90 },
    [10, 20, 200, 300, 90, 1],
  ],
  [
    'a box away from the origin',
    { MediaBox: [-100, 50, 200, 450] },
    {},
    [-100, 50, 200, 450, 0, 1],
  ],
  ['corners in any order', { MediaBox: [300, 400, 0, 0] }, {}, [0, 0, 300, 400, 0, 1]],
  [
    'a crop that reaches over the edge',
    { MediaBox: [0, 0, 300, 400], CropBox: [-50, 100, 500, 350] },
    {},
    [0, 100, 300, 350, 0, 1],
  ],
  [
    'a crop off the page, which counts as none',
    { MediaBox: [0, 0, 300, 400], CropBox: [500, 500, 600, 600] },
    {},
    [0, 0, 300, 400, 0, 1],
  ],
  [
    'an empty crop, which counts as none',
    { MediaBox: [0, 0, 300, 400], CropBox: [10, 10, 10, 90] },
    {},
    [0, 0, 300, 400, 0, 1],
  ],
  ['no box at all', {}, {}, [0, 0, 612, 792, 0, 1]],
  ['a box of the wrong kind', { MediaBox: [0, 0, 300] }, {}, [0, 0, 612, 792, 0, 1]],
  [
    'turns beyond a full one',
    { MediaBox: [0, 0, 300, 400], Rotate: 450 },
    {},
    [0, 0, 300, 400, 90, 1],
  ],
  ['turns backwards', { MediaBox: [0, 0, 300, 400], Rotate: -90 }, {}, [0, 0, 300, 400, 270, 1]],
  ['a turn that is none', { MediaBox: [0, 0, 300, 400], Rotate: 45 }, {}, [0, 0, 300, 400, 0, 1]],
  ['a larger unit', { MediaBox: [0, 0, 300, 400], UserUnit: 2.5 }, {}, [0, 0, 300, 400, 0, 2.5]],
  ['a unit that is none', { MediaBox: [0, 0, 300, 400], UserUnit: -1 }, {}, [0, 0, 300, 400, 0, 1]],
])('%s', async (_what, entries, parent, wanted) => {
  expect(await told(entries, parent)).toEqual(wanted);
});

test('what is fixed onto the page is what every viewer then reads', async () => {
  const made = await page({ CropBox: [900, 900, 950, 950] }, { Rotate: 45 });
  const geometry = pageGeometry(made);
  fixGeometry(made, geometry);
  expect(pageGeometry(made)).toEqual(geometry);
  expect(made.node.lookup(PDFName.of('Rotate'))).toEqual(PDFNumber.of(0));
  expect(made.node.lookup(PDFName.of('CropBox'))?.toString()).toBe('[ 0 0 612 792 ]');
});
