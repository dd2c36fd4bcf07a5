import { pictureBoxes, type PictureOps } from './pictureBoxes';

const OPS: PictureOps = {
  save: 1,
  restore: 2,
  transform: 3,
  paintImageXObject: 4,
  paintInlineImageXObject: 5,
  paintFormXObjectBegin: 6,
  paintFormXObjectEnd: 7,
};
type Step = readonly [keyof PictureOps | 'other', unknown?];
const boxesOf = (...steps: Step[]) =>
  pictureBoxes(
    steps.map(([name]) => (name === 'other' ? 99 : OPS[name])),
    steps.map(([, given]) => given),
    OPS,
  );

test('a picture lies where its matrix puts the unit square, whichever way it is turned', () => {
  expect(
    boxesOf(
      ['save'],
      ['transform', [200, 0, 0, 100, 50, 60]],
      ['paintImageXObject', ['img', 10, 10]],
      ['restore'],
      ['transform', [0, 30, -20, 0, 40, 5]],
      ['paintInlineImageXObject', [{}]],
    ),
  ).toEqual([
    { minX: 50, minY: 60, maxX: 250, maxY: 160 },
    { minX: 20, minY: 5, maxX: 40, maxY: 35 },
  ]);
});

test('within a form the matrix of the form counts too, and ends with it', () => {
  const inForm = [
    ['paintFormXObjectBegin', [[2, 0, 0, 2, 10, 10], null]],
    ['transform', [5, 0, 0, 5, 1, 1]],
    ['paintImageXObject', []],
    ['paintFormXObjectEnd'],
    ['paintImageXObject', []],
  ] as const;
  expect(boxesOf(...inForm)).toEqual([
    { minX: 12, minY: 12, maxX: 22, maxY: 22 },
    { minX: 0, minY: 0, maxX: 1, maxY: 1 },
  ]);
});

test('operators out of order, and matrices that are none, harm nothing', () => {
  expect(
    boxesOf(
      ['restore'],
      ['transform', [1, 'x', 0, 1, 0, NaN]],
      ['transform'],
      ['paintFormXObjectBegin'],
      ['other', [7]],
      ['paintImageXObject'],
    ),
  ).toEqual([{ minX: 0, minY: 0, maxX: 1, maxY: 1 }]);
});
