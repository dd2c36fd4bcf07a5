import { readFileSync } from 'node:fs';
import type { CopyNote } from '@marginalis/core/copy';
import { emptyDocument, pagesOfSource, turnPage } from '@marginalis/core/document';
import { inspectPdf, makeFixedCopy } from '@marginalis/core/pdf';
import * as typesetter from '../core/src/type/typesetter';
import { loadFace } from '../core/testing/faces';
import { cropped, differingShare, type Picture } from './support/pictures';
import { complaintOfQpdf, newComplaints, pictureBy, textOf } from './support/programs';

/** Notes beside the pages of a copy: the page itself is drawn as in a copy that has them at its end, and what they say is there as text. */

const DPI = 72;
const SOURCE = new Uint8Array(readFileSync('demo/documents/barnacles.pdf'));
const note = (number: number, y: number, text: string): CopyNote => ({
  number,
  place: { page: 0, at: { x: 90, y }, inMargin: true },
  about: '',
  remarks: [
    { by: 'Ines Mara · 3 May 2026', text },
    { by: 'Teo · 4 May 2026', text: 'Only above the low water mark.' },
  ],
  task: 'Check · for Teo',
  labels: ['Tides'],
  settled: '',
});
const NOTES = [
  note(1, 640, 'Is that so on our shore too?'),
  note(2, 420, 'Say how old it was: عمر.'),
];

async function copyWith(turn: 0 | 90, notesAt: 'beside' | 'end'): Promise<Uint8Array> {
  const { pages } = await inspectPdf(SOURCE);
  const [first, ...rest] = pagesOfSource('a'.repeat(64), pages, (k) => `p${k}`);
  const document = emptyDocument([turnPage(first, turn), ...rest]);
  const { bytes } = await makeFixedCopy(SOURCE, document, {
    face: loadFace,
    typesetter,
    notes: NOTES,
    notesAt,
  });
  return bytes;
}

/** How much of the page itself differs, but for the last columns before the margin. */
function apart(a: Picture, b: Picture): number {
  const [left, whole] = [a, b].map((picture) => cropped(picture, b.width - 3, b.height));
  return differingShare(left, whole);
}

test.each([0, 90] as const)(
  'a page turned by %i° is drawn as without them, and is wider',
  async (turn) => {
    const [beside, end] = await Promise.all([copyWith(turn, 'beside'), copyWith(turn, 'end')]);
    expect(complaintOfQpdf(beside)).toBeNull();
    expect(newComplaints(SOURCE, beside)).toEqual([]);
    for (const reader of ['poppler, Splash', 'MuPDF', 'PDFium'] as const) {
      const [a, b] = await Promise.all(
        [beside, end].map((bytes) => pictureBy(reader, bytes, 1, DPI)),
      );
      expect(a.width).toBeGreaterThan(b.width + 140);
      expect([reader, apart(a, b)]).toEqual([reader, 0]);
    }
    const said = textOf(beside).replace(/\s+/g, ' ');
    for (const words of [
      'Is that so on our shore too?',
      'Only above the low water mark.',
      'عمر',
      'for Teo',
      'Tides',
    ])
      expect(said).toContain(words);
  },
);
