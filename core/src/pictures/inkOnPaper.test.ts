import { inkOnPaper } from './inkOnPaper.ts';

/** A picture of paper with a dark stroke in its middle. */
function picture(paper: readonly number[], ink: readonly number[], edge = paper): Uint8Array {
  const data = new Uint8Array(4 * 40 * 20);
  for (let k = 0; k < 800; k++) {
    const [x, y] = [k % 40, Math.floor(k / 40)];
    const isInk = x > 8 && x < 30 && y > 8 && y < 12;
    const isEdge = x === 0 || y === 0 || x === 39 || y === 19;
    data.set([...(isInk ? ink : isEdge ? edge : paper), 255], 4 * k);
  }
  return data;
}

test('the commonest colour is the paper’s, the one farthest from it the ink’s', () => {
  const [width, height] = [40, 20];
  expect(inkOnPaper({ width, height, data: picture([255, 250, 240], [31, 51, 97]) })).toEqual({
    ...{ ink: '#1f3361', paper: '#fffaf0', isPlain: true },
  });
  const framed = picture([255, 255, 255], [0, 0, 0], [120, 160, 90]);
  expect(inkOnPaper({ width, height, data: framed }).isPlain).toBe(false);
});
