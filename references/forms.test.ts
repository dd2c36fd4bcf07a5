import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { PDFDocument } from '@cantoo/pdf-lib';
import { prove } from '../cli/proving';
import { textFiles } from '../cli/faces';
import { documentOfParts, marksOn, type Page, pagesOfSource, turnPage } from '../core/src/document';
import { isFillable, valueOf } from '../core/src/fields';
import {
  inspectPdf,
  makeFixedCopy,
  makeLivingCopy,
  openLivingCopy,
  readForm,
} from '../core/src/pdf';
import type { FieldMark } from '../core/src/kinds';
import { formPdf } from '../core/testing/forms';
import { type Filled, filledForm, isSecret, lostInFixed, lostInLiving } from './support/filledForm';
import { deflate } from './support/markedCopy';
import { differingShare } from './support/pictures';
import { byReportlab } from './support/reportlab';
import { pictureBy, textOf, withFile } from './support/programs';
import type { ReaderName } from './support/readers';
import { REAL_FORMS, type RealPdf, realPdf } from './support/realPdfs';

/**
 * Forms that are filled in: what other programs find in the copies. The forms are made by two libraries, of which one is not ours (ReportLab), with and without
 * pictures of their fields, and the sample form; they are read by qpdf, pdf.js and pdftotext.
 */

jest.setTimeout(600_000);

const SHA = 'a'.repeat(64);

/** The pages as they come, or the second before the first, turned. */
const asTheyCome = (pages: readonly Page[]): readonly Page[] => pages;
const arranged = (pages: readonly Page[]): readonly Page[] =>
  pages.map((page, k) => ({ ...turnPage(page, 90), order: -k })).reverse();

const FORMS = [
  { name: 'made by pdf-lib', bytes: () => formPdf(), pages: asTheyCome },
  {
    name: 'without pictures of its fields',
    bytes: () => formPdf({ bare: true }),
    pages: asTheyCome,
  },
  {
    name: 'made by ReportLab',
    bytes: async () => byReportlab('formByReportlab.py'),
    pages: asTheyCome,
  },
  {
    name: 'of the samples',
    bytes: async () => new Uint8Array(readFileSync('demo/documents/loan-form.pdf')),
    pages: asTheyCome,
  },
  { name: 'with its pages turned and moved', bytes: () => formPdf(), pages: arranged },
];

const READERS: readonly ReaderName[] = ['poppler, Splash', 'MuPDF', 'pdf.js'];
/** Blocks of a page that may differ between a fixed copy and a living one. */
const ALIKE = 0.004;

describe.each(FORMS)('a form $name', (one) => {
  let what: Filled;
  beforeAll(async () => {
    what = await filledForm(await one.bytes(), one.pages);
  });
  const sources = () => [{ sha: SHA, bytes: what.source }];

  test('holds what was filled in when its living copy is opened elsewhere', async () => {
    expect(await lostInLiving(what)).toEqual([]);
  });

  test('shows it in its fixed copy, which is proved, has it as text, and no form', async () => {
    expect(await lostInFixed(what)).toEqual([]);
    const { state, source } = what;
    const made = await makeFixedCopy(sources(), state, { deflate, ...textFiles });
    expect(textOf(made.bytes).replace(/\s+/g, '')).not.toContain('Dryonreturn');
    const { proof } = await prove({ source, document: state }, made.bytes);
    expect(proof).toMatchObject({ alike: true });
  });

  test('is proved in its living copy', async () => {
    const { state, source } = what;
    const made = await makeLivingCopy(sources(), state, { deflate, madeAt: 0, ...textFiles });
    const { proof } = await prove({ source, document: state, living: true }, made.bytes);
    expect(proof).toMatchObject({ alike: true });
  });

  test('looks the same filled in and flattened, in three readers', async () => {
    const { state } = what;
    const options = { deflate, ...textFiles };
    const living = await makeLivingCopy(sources(), state, { ...options, madeAt: 0 });
    const fixed = await makeFixedCopy(sources(), state, options);
    // pdf.js leaves out what has no picture, also what nobody has filled in: the button.
    for (const reader of one.name.startsWith('without') ? READERS.slice(0, 2) : READERS) {
      const [a, b] = [
        await pictureBy(reader, living.bytes, 1, 72),
        await pictureBy(reader, fixed.bytes, 1, 72),
      ];
      expect({ reader, alike: differingShare(a, b) <= ALIKE }).toEqual({ reader, alike: true });
    }
  });

  test('comes back from its living copy as it was, and its file as it came', async () => {
    const { state, form } = what;
    const { bytes } = await makeLivingCopy(sources(), state, { deflate, madeAt: 0, ...textFiles });
    // As it was sent, and written anew by another program.
    const anew = await (
      await PDFDocument.load(bytes, { updateMetadata: false })
    ).save({
      updateFieldAppearances: false,
    });
    for (const copy of [bytes, anew]) {
      const opened = await openLivingCopy(copy, 0);
      if (!opened) throw new Error('It is no living copy.');
      expect([opened.elsewhere.changes, opened.elsewhere.left]).toEqual([[], []]);
      const source = await readForm(opened.source);
      for (const field of form.fields) {
        const back = source.fields.find(({ name }) => name === field.name);
        expect([field.name, back?.value]).toEqual([field.name, field.value]);
      }
      const boxes = (await inspectPdf(opened.source)).pages;
      const ids = state.pages.map(({ id }) => id);
      const pages = pagesOfSource(SHA, boxes, (k) =>
        copy === bytes && one.pages === asTheyCome ? `p${k}` : ids[k],
      );
      const again = documentOfParts(pages, opened.parts);
      for (const field of source.fields.filter(isFillable))
        expect([field.name, valueOf(again, SHA, field)]).toEqual([
          field.name,
          isSecret(source, field.name) ? [] : what.answers.get(field.name),
        ]);
      expect(marksOn(again, 'p0').size).toBe(marksOn(state, 'p0').size);
      const fixed = await makeFixedCopy([{ sha: SHA, bytes: opened.source }], again, {
        deflate,
        ...textFiles,
      });
      const { proof } = await prove({ source: opened.source, document: again }, fixed.bytes);
      expect(proof.alike).toBe(true);
    }
  });
});

/** A file whose fields pypdf has filled in, which writes all of it anew. */
const filledByPypdf = (bytes: Uint8Array, values: Readonly<Record<string, string>>): Uint8Array =>
  withFile(bytes, (path) => {
    const script = join(__dirname, 'support/fillForm.py');
    const { status, stderr } = spawnSync(
      '/usr/bin/python3',
      [script, path, `${path}.filled`, JSON.stringify(values)],
      { encoding: 'utf8' },
    );
    if (status !== 0) throw new Error(stderr);
    return new Uint8Array(readFileSync(`${path}.filled`));
  });

test('what another program fills into a living copy comes back as changes', async () => {
  const what = await filledForm(await FORMS[2].bytes());
  const sources = [{ sha: SHA, bytes: what.source }];
  const { bytes } = await makeLivingCopy(sources, what.state, { deflate, madeAt: 0, ...textFiles });
  const back = filledByPypdf(bytes, { who: 'Teo Brandt', wet: '/Off' });
  const opened = await openLivingCopy(back, 7);
  if (!opened) throw new Error('It is no living copy.');
  const { changes, added, changed, removed } = opened.elsewhere;
  const values = changes.map(({ before, after }) => [
    (before as FieldMark | null)?.value,
    (after as FieldMark | null)?.value,
  ]);
  // The tick goes: its file has none.
  expect(values).toEqual([
    [['Answer to who é'], ['Teo Brandt']],
    [['Yes'], undefined],
  ]);
  expect([added, changed, removed]).toEqual([0, 1, 1]);
});

const OF_OTHERS: readonly RealPdf[] = process.env.REFERENCES === 'all' ? REAL_FORMS : [];

test('forms of others hold what was filled in, in both copies, which are proved', async () => {
  for (const one of OF_OTHERS) {
    const what = await filledForm(realPdf(one));
    expect(what.answers.size).toBeGreaterThan(0);
    expect([one.name, await lostInLiving(what), await lostInFixed(what)]).toEqual([
      ...[one.name, [], []],
    ]);
    const { source, state } = what;
    const sources = [{ sha: SHA, bytes: source }];
    const fixed = await makeFixedCopy(sources, state, { deflate, ...textFiles });
    const living = await makeLivingCopy(sources, state, { deflate, madeAt: 0, ...textFiles });
    const proofs = [
      await prove({ source, document: state }, fixed.bytes),
      await prove({ source, document: state, living: true }, living.bytes),
    ];
    expect(proofs.map(({ proof }) => proof.alike)).toEqual([true, true]);
  }
});
