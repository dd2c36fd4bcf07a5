import { openPrint } from '@marginalis/core/pdfium';
import { inspectPdf } from '@marginalis/core/pdf';
import { type AnswerLine, answerLines, readPrint } from '@marginalis/core/print';
import { startPdfium } from '../cli/pdfium';
import { debianFile } from './support/realPdfs';

/**
 * Where answers are written on forms and worksheets of others, against where a person says they are: the places were read off the pages as MuPDF and poppler
 * draw them. Documents of Debian packages; a place is a rule, a row of dots, a gap between brackets, a row of cells, or an empty cell.
 */

jest.setTimeout(240_000);

/** A part of a page as it is seen (points, y down): its left, head, right and foot. */
type Part = readonly [number, number, number, number];
interface Sheet {
  readonly name: string;
  readonly package: string;
  readonly path: string;
  /** From 0. */
  readonly page: number;
  /** Parts of the page, and how many places to write in each has. */
  readonly places: readonly (readonly [Part, number])[];
  /** What is filled in already, where a person would not say whether there is room for more. */
  readonly open?: readonly Part[];
}

const TEX = 'usr/share/doc/texlive-doc/latex';
const SCHOOL = {
  package: 'texlive-publishers-doc',
  path: `${TEX}/schule/Beispiele/beispiel-ab.pdf`,
};
const ELECTRICS = {
  package: 'texlive-publishers-doc',
  path: `${TEX}/cesenaexam/cesenaexam_example.pdf`,
};
const ALL: readonly Sheet[] = [
  {
    name: 'banner form',
    package: 'cups-filters',
    path: 'usr/share/cups/data/form_english.pdf',
    page: 0,
    places: [[[50, 150, 545, 720], 16]],
  },
  {
    name: 'record of hours',
    package: 'texlive-lang-german',
    path: `${TEX}/milog/milog-formular.pdf`,
    page: 0,
    places: [[[90, 690, 520, 725], 2]],
  },
  {
    name: 'examination in electrics, page 1',
    ...ELECTRICS,
    page: 0,
    places: [[[55, 110, 500, 150], 4]],
  },
  {
    name: 'examination in electrics, page 2',
    ...ELECTRICS,
    page: 1,
    places: [
      [[105, 195, 320, 230], 2],
      [[105, 300, 320, 335], 1],
      [[105, 400, 320, 440], 1],
    ],
  },
  {
    name: 'examination in mathematics, page 1',
    package: 'texlive-publishers-doc',
    path: `${TEX}/jnuexam/exam-a-empty.pdf`,
    page: 0,
    places: [
      [[110, 240, 475, 290], 5],
      [[135, 335, 515, 375], 14],
      [[120, 455, 515, 535], 6],
      [[110, 560, 515, 770], 6],
    ],
    open: [[85, 125, 395, 230]],
  },
  {
    name: 'examination in mathematics, page 2',
    package: 'texlive-publishers-doc',
    path: `${TEX}/jnuexam/exam-a-empty.pdf`,
    page: 1,
    places: [
      [[120, 135, 515, 160], 6],
      [[480, 170, 515, 630], 6],
    ],
  },
  {
    name: 'answer sheet',
    package: 'texlive-publishers-doc',
    path: `${TEX}/hfutexam/hfutexam_datizhi.pdf`,
    page: 0,
    places: [
      [[140, 130, 660, 150], 3],
      [[1000, 110, 1105, 150], 2],
      [[995, 195, 1105, 220], 2],
      [[480, 320, 590, 340], 2],
      [[100, 340, 460, 390], 6],
      [[995, 420, 1105, 445], 2],
      [[480, 430, 590, 455], 2],
      [[140, 460, 460, 490], 6],
      [[480, 555, 590, 580], 2],
      [[480, 670, 590, 695], 2],
    ],
    open: [[200, 110, 960, 150]],
  },
  { name: 'worksheet, page 1', ...SCHOOL, page: 0, places: [[[170, 430, 380, 470], 2]] },
  { name: 'worksheet, page 2', ...SCHOOL, page: 1, places: [[[80, 180, 545, 200], 3]] },
  {
    name: 'worksheet, page 3',
    ...SCHOOL,
    page: 2,
    places: [
      [[210, 175, 480, 200], 2],
      [[475, 340, 540, 640], 20],
    ],
    open: [[390, 340, 475, 510]],
  },
  { name: 'worksheet, page 5', ...SCHOOL, page: 4, places: [[[80, 160, 540, 290], 5]] },
  {
    name: 'worksheet with fields',
    package: 'texlive-publishers-doc',
    path: `${TEX}/schule/Beispiele/beispiel-ab-formulare.pdf`,
    page: 0,
    places: [
      [[85, 130, 505, 190], 3],
      [[85, 240, 505, 305], 5],
      [[85, 355, 505, 440], 4],
    ],
  },
];
/** What is fetched for a sample is small. */
const SHEETS = process.env.REFERENCES === 'all' ? ALL : ALL.slice(0, 1);

async function linesOf({ package: from, path, page }: Sheet): Promise<readonly AnswerLine[]> {
  const bytes = debianFile(from, path);
  const { pages } = await inspectPdf(bytes);
  const open = openPrint(await startPdfium(), bytes);
  try {
    return answerLines(open.shapes(page), readPrint(open.raw(page)), pages[page]);
  } finally {
    open.close();
  }
}

const isIn = ([left, head, right, foot]: Part, { from, to, y }: AnswerLine): boolean => {
  const middle = (from + to) / 2;
  return middle > left && middle < right && y > head && y < foot;
};

test('at least 95 of 100 places to write in are found, and under 2 that are none', async () => {
  let [wanted, found, wrong] = [0, 0, 0];
  for (const sheet of SHEETS) {
    const lines = await linesOf(sheet);
    let own = 0;
    let all = 0;
    for (const [part, count] of sheet.places) {
      const there = lines.filter((line) => isIn(part, line)).length;
      own += Math.min(there, count);
      all += count;
      wrong += Math.max(0, there - count);
    }
    const known = [...sheet.places.map(([part]) => part), ...(sheet.open ?? [])];
    const others = lines.filter((line) => !known.some((part) => isIn(part, line)));
    wrong += others.length;
    found += own;
    wanted += all;
    console.log(`${sheet.name}: ${own} of ${all}, ${others.length} elsewhere`);
  }
  console.log(`places to write in: ${found} of ${wanted}, ${wrong} that are none`);
  // A sample of one sheet says little of shares: one may be missed.
  expect(found).toBeGreaterThanOrEqual(SHEETS.length > 1 ? 0.95 * wanted : wanted - 1);
  expect(wrong).toBeLessThan(Math.max(1, 0.02 * wanted));
});
