import type { Drawing } from '../../drawing/index.ts';
import { boxOfPoints, growBox, type Path, type Vec } from '../../geometry/index.ts';
import { aroundQuad, mapQuad, partOfQuad } from '../../print/index.ts';
import { type WordManner, widened } from '../../marks/index.ts';
import type { Kind } from '../kind.ts';
import { isArea, textOfStrips, type WordsMark } from './mark.ts';
import { pathOfWords } from './paths.ts';
import { wordsOfSketch } from './ofSketch.ts';
import { fromWordsRecord, toWordsRecord } from './record.ts';
import { withoutWords } from './strips.ts';

/** What people call them. */
const NAMES: Readonly<Record<WordManner, string>> = {
  highlight: 'Text highlight',
  underline: 'Underline',
  squiggle: 'Squiggle',
  strike: 'Strikethrough',
};

const SUBTYPES = {
  highlight: 'Highlight',
  underline: 'Underline',
  squiggle: 'Squiggly',
  strike: 'StrikeOut',
} as const;

const paths = new WeakMap<WordsMark, Path>();

function outlineOf(mark: WordsMark): Path {
  let path = paths.get(mark);
  if (!path) paths.set(mark, (path = pathOfWords(mark)));
  return path;
}

const draw = (mark: WordsMark): Drawing => {
  const { colour, opacity } = mark.style;
  return [{ is: 'fill', path: outlineOf(mark), paint: { colour, opacity } }];
};

const corners = ({ strips }: WordsMark): Vec[] => strips.flatMap(({ quad }) => [...quad]);

export const WORDS: Kind<WordsMark> = {
  name: 'words',
  sorts: {
    'text-highlight': 'Text highlights',
    underline: 'Underlines',
    squiggle: 'Squiggles',
    strike: 'Strikethroughs',
  },
  toRecord: toWordsRecord,
  fromRecord: fromWordsRecord,
  plane: ({ manner }) => (manner === 'highlight' ? 'beneath' : 'over'),
  draw,
  outline: outlineOf,
  roughBounds: (mark) => growBox(boxOfPoints(corners(mark)), mark.style.width / 2),
  areas: ({ strips }) => strips.map(({ quad }) => aroundQuad(quad)),
  rub(mark, touches) {
    const strips = withoutWords(mark.strips, ({ quad }, { from, to }) =>
      touches(aroundQuad(partOfQuad(quad, from, to))),
    );
    if (strips.length === 0) return null;
    const isSame =
      strips.length === mark.strips.length && strips.every((s, k) => s === mark.strips[k]);
    return isSame ? mark : { ...mark, strips };
  },
  bound: true,
  carry: (mark, by, { widthFollows = false }) => ({
    ...mark,
    style: widthFollows ? widened(mark.style, by) : mark.style,
    strips: mark.strips.map((strip) => ({
      ...strip,
      quad: mapQuad(strip.quad, by),
    })),
  }),
  madeWith: () => 'word-marker',
  look: ({ style, manner }) => ({ style, manner }),
  restyle: (mark, { style, manner = mark.manner }) => ({
    ...mark,
    manner,
    style: style ? { ...mark.style, ...style } : mark.style,
  }),
  words: ({ manner, strips }) => ({
    name: manner === 'highlight' && isArea({ strips }) ? 'Highlighted area' : NAMES[manner],
    text: textOfStrips(strips),
    sort: manner === 'highlight' ? 'text-highlight' : manner,
  }),
  annotation: ({ manner, strips }) => ({
    subtype: SUBTYPES[manner],
    quads: strips.map(({ quad }) => quad),
  }),
  ofAnnotation: wordsOfSketch,
};
