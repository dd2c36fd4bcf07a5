import {
  type Attachment,
  changeOf,
  emptyDocument,
  type DocState,
  markChange,
  type Page,
} from '../../core/src/document';
import { emptyText } from '../../core/src/editing';
import type { FigureKind } from '../../core/src/figures';
import {
  type EquationMark,
  type FigureMark,
  type GraphicMark,
  KINDS,
  type Mark,
  type PictureMark,
  type SignatureMark,
  type StampMark,
  type TextMark,
  type WordsMark,
} from '../../core/src/kinds';
import { readSvg } from '../../core/src/graphics/readSvg';
import { setEquation } from '../../core/src/equations/setEquation';
import { FIRST_ROLL, toBase64, WORD_MANNERS } from '../../core/src/marks';
import { pictureName } from '../../core/src/pictures';
import { filledIn, FIRST_STAMPS, makeStamp, wordsOfStamp } from '../../core/src/stamps';
import { retyped } from '../../core/src/type/spans';
import { setBlock } from '../../core/src/type/typesetter';
import { photograph } from '../../core/testing/photographs';
import { wavePath } from '../../core/testing/hand';
import { FIGURE_KINDS } from '../../core/testing/figureKinds';
import { idealFigure } from '../../core/testing/drawnFigures';
import { shippedFonts } from '../../core/testing/faces';
import { done, HIGHLIGHTER, PEN, written } from '../../core/testing/marks';
import { seededRandom } from '../../core/testing/seededRandom';

const fonts = shippedFonts();
const style = { colour: '#1b5e3a', width: 1.2, opacity: 1 };
const base = (page: string, id: string, order: number) => ({
  ...{ id, page, order, madeAt: 1_760_000_000_000 + order, style },
});

const figureOn = (page: string, kind: FigureKind, k: number): FigureMark => ({
  ...base(page, `${page}-${kind}`, 100 + k),
  kind: 'figure',
  figure: idealFigure(kind, seededRandom(7 * k + 3)),
  dash: (['none', 'dashed', 'dotted'] as const)[k % 3],
  fill: k % 4 === 0 ? { colour: '#ffd23f', opacity: 0.4 } : null,
  from: [],
});

const wordsOn = (page: string, manner: WordsMark['manner'], k: number): WordsMark => {
  const [left, foot] = [60, 700 - 24 * k];
  const [right, head] = [left + 150, foot + 12];
  const quad = [
    { x: left, y: head },
    { x: right, y: head },
    { x: left, y: foot },
    { x: right, y: foot },
  ] as const;
  return {
    ...base(page, `${page}-${manner}`, 200 + k),
    kind: 'words',
    manner,
    strips: [{ quad, words: [{ text: 'barnacle', from: 0, to: 1 }] }],
    before: '',
    after: '',
  };
};

function textOn(page: string, k: number, more: Partial<TextMark>): TextMark {
  const empty = emptyText(emptyDocument([]), {
    id: `${page}-text-${k}`,
    page,
    instrument: FIRST_ROLL[10],
    at: { x: 330, y: 780 - 90 * k },
    angle: k === 2 ? 0.3 : 0,
    width: 170,
    madeAt: 1_760_000_000_000,
  });
  const said = 'Barnacles settle where others have: “Łódź”, efficient, $x^2$, Ωμέγα, שלום';
  const block = {
    ...empty.block,
    spans: retyped(empty.block.spans, said),
    equations: [{ tex: 'x^2', outline: setEquation('x^2', true) }],
  };
  return { ...empty, block, height: setBlock(block, fonts).height, order: 300 + k, ...more };
}

const picture = ((): Attachment => {
  const bytes = new Uint8Array(photograph(480, 320));
  return {
    ...{ id: pictureName(bytes), name: 'Shore.jpg', type: 'image/jpeg', width: 480, height: 320 },
    data: toBase64(bytes),
  };
})();

const EQUATION = '\\frac{1}{2} \\sum_{k=1}^{n} \\color{red}{\\sqrt{k}}';

const DRAWN = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 60">
  <rect width="100" height="60" fill="#f3efe6"/><path d="M5 55Q50-30 95 55Z" fill="#c9b79c" stroke="#3b3226" stroke-width="4" stroke-linejoin="round"/>
  <circle cx="50" cy="30" r="8" fill="#3b3226" fill-opacity=".5"/></svg>`;

const pictureOn = (page: string): PictureMark => ({
  ...base(page, `${page}-picture`, 400),
  kind: 'picture',
  style: { ...style, opacity: 0.8 },
  source: picture.id,
  place: [75, 28, -21, 56, 420, 90],
  says: 'A limpet on a rock',
});

const stampOn = (page: string): StampMark => {
  const design = FIRST_STAMPS[0];
  const text = filledIn(design.says, {
    ...{ name: '', date: '3 May 2031', time: '', title: '', page: '' },
  });
  const { width } = setBlock(wordsOfStamp(design, text), fonts);
  let count = 0;
  const stamp = makeStamp(design, {
    ...{ id: `${page}-stamp`, page, order: 500, madeAt: 1_760_000_000_500, text, width },
    newId: () => `${page}-stamp-${count++}`,
  });
  return KINDS.stamp.carry(stamp, [0.98, 0.17, -0.17, 0.98, 400, 250], {});
};

const equationOn = (page: string): EquationMark => ({
  ...base(page, `${page}-equation`, 520),
  kind: 'equation',
  tex: EQUATION,
  outline: setEquation(EQUATION),
  place: [14, 2, -2, 14, 320, 60],
});

const graphicOn = (page: string): GraphicMark => ({
  ...base(page, `${page}-graphic`, 530),
  kind: 'graphic',
  style: { ...style, opacity: 0.9 },
  graphic: readSvg(DRAWN, { width: 100, height: 60 }).graphic,
  place: [60, 12, -9, 40, 240, 40],
  says: 'A limpet from the side',
});

/** Letters and a line beneath them as a signature. */
const signatureOn = (page: string): SignatureMark => ({
  ...base(page, `${page}-signature`, 510),
  kind: 'signature',
  of: 'Ines Mara',
  parts: [
    KINDS.text.carry({ ...textOn(page, 3, {}), id: `${page}-signed` }, [1, 0, 0, 1, 20, -60], {}),
  ],
});

/** A document with marks of every kind on each of its pages. */
export function withEveryMark(pages: readonly Page[]): DocState {
  const inked = written(
    pages,
    pages.flatMap((_, page) => [
      { page, id: `${page}-ink`, path: wavePath({ x: 60, y: 120 }, 200, 12, 3), instrument: PEN },
      {
        page,
        id: `${page}-light`,
        path: wavePath({ x: 60, y: 180 }, 200, 4, 1),
        instrument: HIGHLIGHTER,
      },
    ]),
  );
  const held = done(inked, {
    label: 'Put a picture',
    changes: [changeOf('attachment', null, picture)],
  });
  return pages.reduce((state, { id }) => {
    const marks: Mark[] = [
      ...FIGURE_KINDS.map((kind, k) => figureOn(id, kind, k)),
      ...WORD_MANNERS.map((manner, k) => wordsOn(id, manner, k)),
      textOn(id, 0, { padding: 6, border: 0.7, background: { colour: '#eef3ff', opacity: 0.8 } }),
      textOn(id, 1, { leader: { to: { x: 250, y: 560 }, bend: { x: 290, y: 640 }, head: 7 } }),
      textOn(id, 2, {}),
      pictureOn(id),
      stampOn(id),
      signatureOn(id),
      equationOn(id),
      graphicOn(id),
    ];
    const drawn = { label: 'Draw', changes: marks.map((mark) => markChange(null, mark)) };
    return done(state, drawn);
  }, held);
}
