import fc from 'fast-check';
import { boxOfPoints, boxHeight, boxWidth, IDENTITY, pathBounds } from '../geometry/index.ts';
import { cutGraphic } from './cutGraphic.ts';
import { type Graphic, GRAPHIC_UNITS, graphicPath, graphicShape } from './graphic.ts';
import { NotSimple } from './notSimple.ts';
import { readSvg } from './readSvg.ts';

const SIZE = { width: 200, height: 100 };
const file = (content: string, attributes = 'viewBox="0 0 200 100"'): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" ${attributes}>${content}</svg>`;
const read = (content: string, attributes?: string): Graphic =>
  readSvg(file(content, attributes), SIZE).graphic;
/** Where a piece lies in the drawing's own space, y down as it is written. */
function boxOf(graphic: Graphic, k = 0) {
  const { minX, minY, maxX, maxY } = pathBounds(graphicPath(graphic[k], [200, 0, 0, -100, 0, 100]));
  return [minX, minY, maxX, maxY].map((side) => Math.round(side * 100) / 100);
}

test('a shape lies where it is written, filled with its colour', () => {
  const graphic = read('<rect x="20" y="10" width="50" height="30" fill="#2456A8"/>');
  expect(graphic).toHaveLength(1);
  expect(graphic[0]).toMatchObject({ colour: '#2456a8', opacity: 1 });
  expect(boxOf(graphic)).toEqual([20, 10, 70, 40]);
});

test('a line covers half its width at both sides, and more or less at its ends', () => {
  const line = (cap: string) =>
    boxOf(read(`<path d="M40 50H80" stroke="red" stroke-width="10" stroke-linecap="${cap}"/>`), 1);
  const alone = read('<path d="M40 50H80" fill="none" stroke="red" stroke-width="10"/>');
  expect(boxOf(alone)).toEqual([40, 45, 80, 55]);
  expect(line('square')).toEqual([35, 45, 85, 55]);
  expect(line('round')).toEqual([35, 45, 85, 55]);
});

test('what is in a group has its style and goes where it is carried', () => {
  const graphic = read(
    `<g fill="teal" transform="translate(100 0)"><g transform="scale(2)">
      <circle cx="10" cy="10" r="5"/></g><rect width="10" height="10" style="fill: #123456"/></g>`,
  );
  expect(graphic.map(({ colour }) => colour)).toEqual(['#008080', '#123456']);
  expect(boxOf(graphic)).toEqual([110, 10, 130, 30]);
});

test('a window of another shape shows the whole drawing in its middle', () => {
  expect(boxOf(read('<rect width="10" height="10"/>', 'viewBox="0 0 10 10"'))).toEqual([
    50, 0, 150, 100,
  ]);
  const stretched = 'viewBox="0 0 10 10" preserveAspectRatio="none"';
  expect(boxOf(read('<rect width="10" height="10"/>', stretched))).toEqual([0, 0, 200, 100]);
});

test('what lies beyond the sides is cut away', () => {
  const graphic = read('<rect x="-50" y="-50" width="100" height="100"/><circle cx="900" r="9"/>');
  expect(graphic).toHaveLength(1);
  expect(boxOf(graphic)).toEqual([0, 0, 50, 50]);
});

test('opacities of a shape and of what it is in are one', () => {
  const graphic = read(
    '<g opacity=".5"><rect width="9" height="9" fill="rgba(0, 0, 0, 0.5)" fill-opacity="50%"/></g>',
  );
  expect(graphic[0].opacity).toBeCloseTo(0.125);
});

test('what it says of itself is told, what is hidden or not of the drawing is left out', () => {
  const said = readSvg(
    file(`<title>A limpet
      from the side</title><metadata><x/></metadata><defs><path id="p" d="M0 0L9 9"/></defs>
      <o:view xmlns:o="urn:o"/><rect width="9" height="9" display="none"/>
      <rect width="9" height="9" visibility="hidden"/><circle r="50"/>`),
    SIZE,
  );
  expect(said.says).toBe('A limpet from the side');
  expect(said.graphic).toHaveLength(1);
});

test.each([
  ['a pattern', '<rect width="9" height="9" fill="url(#g)"/>'],
  ['text', '<text x="5" y="5">Shore</text>'],
  ['a picture from elsewhere', '<image href="https://example.org/a.png" width="9" height="9"/>'],
  ['what is used again', '<use href="#p"/>'],
  ['a style sheet', '<style>rect { fill: red }</style><rect width="9" height="9"/>'],
  ['a mask', '<rect width="9" height="9" mask="url(#m)"/>'],
  ['a filter in a style', '<rect width="9" height="9" style="filter: blur(2px)"/>'],
  ['dashes', '<path d="M0 0H9" stroke="red" stroke-dasharray="2 1"/>'],
  ['a group that is seen through', '<g opacity=".5"><circle r="9"/><circle r="5"/></g>'],
  ['even-odd holes', '<path fill-rule="evenodd" d="M0 0H9V9ZM2 2H5V5Z"/>'],
  ['lengths in hundredths', '<rect width="50%" height="9"/>'],
  ['another page within it', '<foreignObject><p>Tide</p></foreignObject>'],
  ['nothing', '<g/>'],
])('with %s it is not simple', (_, content) => {
  expect(() => read(content)).toThrow(NotSimple);
});

test('what is no SVG, or unfolds without end, is refused', () => {
  expect(() => readSvg('barnacles', SIZE)).toThrow(NotSimple);
  expect(() => readSvg('<svg><rect width="9" height="9"/></svg>', SIZE)).toThrow(NotSimple);
  const bomb = `<!DOCTYPE svg [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]>${file('&b;')}`;
  expect(() => readSvg(bomb, SIZE)).toThrow(NotSimple);
  expect(() => read('<g>'.repeat(100) + '<circle r="9"/>' + '</g>'.repeat(100))).toThrow(NotSimple);
  expect(() => read('<circle r="9"/>'.repeat(6000))).toThrow(NotSimple);
  expect(() => read(`<path d="M0 0${'L1 1L2 0'.repeat(60_000)}"/>`)).toThrow(NotSimple);
});

test('a script is no part of the drawing, and what it is declared as neither', () => {
  const declared = `<!DOCTYPE svg PUBLIC "a" "b">${file('<script>alert(1)</script><circle r="9" onload="alert(2)"/>')}`;
  expect(readSvg(declared, SIZE).graphic).toHaveLength(1);
});

const share = fc.double({ min: 0, max: 0.9, noNaN: true });

test('a part of a graphic lies within its square, can be stored, and covers what it covered', () => {
  const whole = read(
    '<circle cx="100" cy="50" r="45" fill="red"/><path d="M0 0Q200 0 200 100" stroke="blue" fill="none" stroke-width="20"/>',
  );
  fc.assert(
    fc.property(share, share, share, share, (x, y, w, h) => {
      const part = {
        ...{ minX: x, minY: y },
        ...{ maxX: x + Math.max(0.02, (1 - x) * w), maxY: y + Math.max(0.02, (1 - y) * h) },
      };
      const cut = cutGraphic(whole, part);
      if (cut.length === 0) return;
      expect(graphicShape.validateSync(cut, { strict: true })).toEqual(cut);
      for (const piece of cut) {
        const before = whole.find(({ colour }) => colour === piece.colour);
        const there = pathBounds(
          graphicPath(piece, [
            ...[part.maxX - part.minX, 0, 0, part.maxY - part.minY],
            ...[part.minX, part.minY],
          ] as never),
        );
        const was = pathBounds(graphicPath(before as never, IDENTITY));
        const both = boxOfPoints([
          { x: there.minX, y: there.minY },
          { x: there.maxX, y: there.maxY },
          { x: was.minX, y: was.minY },
          { x: was.maxX, y: was.maxY },
        ]);
        expect(boxWidth(both)).toBeLessThan(boxWidth(was) + 1e-3);
        expect(boxHeight(both)).toBeLessThan(boxHeight(was) + 1e-3);
      }
    }),
    { numRuns: 60 },
  );
});

test('what is not well packed, or lies beyond the square, is no stored graphic', () => {
  const [piece] = read('<circle cx="50" cy="50" r="9"/>');
  const isStored = (one: unknown): boolean => graphicShape.isValidSync([one], { strict: true });
  expect(isStored(piece)).toBe(true);
  expect(isStored({ ...piece, coords: piece.coords.slice(1) })).toBe(false);
  expect(isStored({ ...piece, verbs: `Z${piece.verbs}` })).toBe(false);
  expect(isStored({ ...piece, coords: piece.coords.map(() => GRAPHIC_UNITS + 1) })).toBe(false);
  expect(isStored({ ...piece, colour: 'url(#g)' })).toBe(false);
});
