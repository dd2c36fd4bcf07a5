import { spawnSync } from 'node:child_process';
import { emptyDocument, pagesOfSource } from '@marginalis/core/document';
import { partOf } from '@marginalis/core/leaving';
import type { CopyNote } from '@marginalis/core/copy';
import { inspectPdf, makeFixedCopy } from '@marginalis/core/pdf';
import { openPrint } from '@marginalis/core/pdfium';
import { type Told, toldOf } from '@marginalis/core/print';
import { textFiles } from '../cli/faces';
import { startPdfium } from '../cli/pdfium';
import { pageRefsFor } from '../core/testing/marks';
import { taggedPdf } from '../core/testing/pdfs';
import { withEveryMark } from './support/everyMark';
import { deflate, markedCopy } from './support/markedCopy';
import { printedByChromium } from './support/byChromium';
import { complaintOfQpdf, newComplaints, objectsOf, textOf, withFile } from './support/programs';
import { ARABIC_FACE, realPdf } from './support/realPdfs';

/**
 * What tagged files say of their pages (ISO 32000-1, 14.8): against the page that Debian's Chromium printed, whose headings, lists and alternative texts are known, and
 * against the structure as poppler's pdfinfo reads it (Debian package poppler-utils).
 */

jest.setTimeout(240_000);

/** The smallest picture that is one. */
const PICTURE =
  'data:image/svg+xml,' +
  encodeURIComponent(
    '<svg xmlns="http://www.w3.org/2000/svg" width="60" height="40"><rect width="60" height="40" fill="grey"/></svg>',
  );
const PAGE = `
  <h1>The rocky shore</h1>
  <p>Barnacles settle on rock, where <b>others</b> have settled, and never leave it.</p>
  <h2>What we found</h2>
  <ul><li>limpets on the upper shore</li><li>whelks
    <ol><li>dog whelks</li><li>netted whelks</li></ol></li></ul>
  <img src="${PICTURE}" alt="A limpet from the side">
  <h3>Where</h3>
  <p>In pools, under <a href="https://saltmarsh.example/stones">stones</a>.</p>`;

async function toldPages(bytes: Uint8Array): Promise<Told[][]> {
  const pdf = openPrint(await startPdfium(), bytes);
  expect(pdf.isTagged).toBe(true);
  const pages = Array.from({ length: pdf.pageCount }, (_, k) => toldOf(pdf.tagged(k)));
  pdf.close();
  return pages;
}

const paragraph = (text: string) => ({ is: 'paragraph', text });

test('a page printed with tags is told as it was written', async () => {
  const [told] = await toldPages(printedByChromium(PAGE, realPdf(ARABIC_FACE)));
  expect(told).toMatchObject([
    { is: 'heading', level: 1, text: 'The rocky shore' },
    paragraph('Barnacles settle on rock, where others have settled, and never leave it.'),
    { is: 'heading', level: 2, text: 'What we found' },
    {
      is: 'list',
      items: [
        [paragraph('limpets on the upper shore')],
        [
          paragraph('whelks'),
          { is: 'list', items: [[paragraph('1. dog whelks')], [paragraph('2. netted whelks')]] },
        ],
      ],
    },
    { is: 'picture', text: 'A limpet from the side' },
    { is: 'heading', level: 3, text: 'Where' },
    paragraph('In pools, under stones.'),
  ]);
});

/** What is told, without the room between words: poppler leaves it out where a part of a line is told by itself. */
const letters = (told: readonly Told[]): string =>
  told
    .map((one) => {
      if (one.is === 'list') return one.items.map(letters).join('');
      return one.is === 'picture' ? '' : one.text;
    })
    .join('')
    .replace(/\s/gu, '');

test('it is told in the order in which poppler reads the structure', async () => {
  const bytes = printedByChromium(PAGE, realPdf(ARABIC_FACE));
  const theirs = withFile(bytes, (path) => {
    const { stdout, error } = spawnSync('pdfinfo', ['-struct-text', path], { encoding: 'utf8' });
    if (error) throw error;
    return stdout;
  });
  const said = [...theirs.matchAll(/"([^"]*)"/gu)].map(([, text]) => text).join('');
  const [told] = await toldPages(bytes);
  expect(letters(told)).toBe(said.replace(/\s/gu, ''));
});

test('a page that is a picture only is told by its alternative text', async () => {
  expect(await toldPages(await taggedPdf())).toEqual([
    [{ is: 'picture', text: 'A limpet from the side' }],
  ]);
});

test('of some pages of a tagged file the copy tells these as the file does, and nothing of the others', async () => {
  const pages = ['limpet', 'whelk', 'mussel'].map(
    (animal) => `<section style="break-after: page"><h1>The ${animal}</h1>
      <p>Where the ${animal} lives.</p><ul><li>${animal} of the shore</li></ul>
      <img src="${PICTURE}" alt="A ${animal} from the side"></section>`,
  );
  const source = printedByChromium(pages.join(''), realPdf(ARABIC_FACE));
  const told = await toldPages(source);
  const { pages: boxes } = await inspectPdf(source);
  const document = emptyDocument(pagesOfSource('a'.repeat(64), boxes, (k) => `p${k}`));
  for (const [kept, which] of [
    [1, ['whelk']],
    [0, ['limpet']],
  ] as const) {
    const { bytes } = await makeFixedCopy(source, partOf(document, [kept]));
    expect(complaintOfQpdf(bytes)).toBeNull();
    expect(newComplaints(source, bytes)).toEqual([]);
    expect(await toldPages(bytes)).toEqual([told[kept]]);
    const said = objectsOf(bytes) + textOf(bytes);
    for (const animal of ['limpet', 'whelk', 'mussel'])
      expect([animal, said.includes(animal)]).toEqual([
        animal,
        which.some((one) => one === animal),
      ]);
  }
});

const NOTE: CopyNote = {
  number: 1,
  place: { page: 0, at: { x: 200, y: 300 }, inMargin: true },
  about: 'Page 1',
  remarks: [{ by: 'Ines Mara', text: 'Measured twice?' }],
  task: '',
  labels: [],
  settled: '',
};

test.each(['beside', 'end'] as const)(
  'what is typed, and notes %s, are told by poppler after what the page itself says; strokes are not',
  async (notesAt) => {
    const source = printedByChromium(PAGE, realPdf(ARABIC_FACE));
    const structure = (bytes: Uint8Array): string =>
      withFile(bytes, (path) => {
        const { stdout, error } = spawnSync('pdfinfo', ['-struct-text', path], {
          encoding: 'utf8',
        });
        if (error) throw error;
        return stdout;
      });
    const { copy: strokes } = await markedCopy(source, () => [0]);
    // Strokes say nothing: they are artifacts.
    expect(structure(strokes.bytes)).toBe(structure(source));
    const typed = withEveryMark(pageRefsFor((await inspectPdf(source)).pages));
    const notes = { notes: [NOTE], notesAt };
    const copy = await makeFixedCopy(source, typed, { ...notes, deflate, ...textFiles });
    expect(complaintOfQpdf(copy.bytes)).toBeNull();
    expect(newComplaints(source, copy.bytes)).toEqual([]);
    const told = structure(copy.bytes);
    expect(told.startsWith(structure(source).trimEnd())).toBe(true);
    const more = told.slice(structure(source).trimEnd().length);
    // Poppler tells what stands there, and leaves out the room between lines.
    expect(more.replace(/\s/gu, '')).toMatch(
      /^P\(block\).*Barnaclessettlewhereothershave:“Łódź”.*Note\(inline\).*InesMaraMeasuredtwice\?/,
    );
    const objects = objectsOf(copy.bytes);
    expect(objects).toMatch(/"\/ActualText": "u:Barnacles settle where others have: “Łódź”/);
    expect(objects).toMatch(/"\/ActualText": "u:[^"]*Ines Mara Measured twice\?"/);
  },
);
