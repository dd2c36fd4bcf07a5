import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { PDFDocument } from '@cantoo/pdf-lib';
import { prove } from '../cli/proving';
import { textFiles } from '../cli/faces';
import {
  type DocState,
  documentOfParts,
  marksOn,
  type Page,
  pagesOfSource,
  turnPage,
} from '../core/src/document';
import { type Form, type FormField, fillField, isFillable, valueOf } from '../core/src/fields';
import {
  inspectPdf,
  makeFixedCopy,
  makeLivingCopy,
  openLivingCopy,
  readForm,
} from '../core/src/pdf';
import type { FieldMark } from '../core/src/kinds';
import { fillTools, formPdf } from '../core/testing/forms';
import { done } from '../core/testing/marks';
import { deflate } from './support/markedCopy';
import { differingShare } from './support/pictures';
import { complaintOfQpdf, pictureBy, textOf, withFile } from './support/programs';
import type { ReaderName } from './support/readers';

/**
 * Forms that are filled in: what other programs find in the copies. The forms are made by two libraries, of which one is not ours (ReportLab), with and without
 * pictures of their fields, and the sample form; they are read by qpdf, pdf.js and pdftotext.
 */

jest.setTimeout(600_000);

const SHA = 'a'.repeat(64);

const byReportlab = async (): Promise<Uint8Array> =>
  withFile(new Uint8Array(), (path) => {
    const script = join(__dirname, 'support/formByReportlab.py');
    const { status, stderr } = spawnSync('/usr/bin/python3', [script, path], { encoding: 'utf8' });
    if (status !== 0) throw new Error(stderr);
    return new Uint8Array(readFileSync(path));
  });

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
  { name: 'made by ReportLab', bytes: byReportlab, pages: asTheyCome },
  {
    name: 'of the samples',
    bytes: async () => new Uint8Array(readFileSync('demo/documents/loan-form.pdf')),
    pages: asTheyCome,
  },
  { name: 'with its pages turned and moved', bytes: () => formPdf(), pages: arranged },
];

/** Something for every field, other than what its file has. */
function answerTo({ sort, value, widgets, choices, longest, name }: FormField): readonly string[] {
  if (sort === 'choice') {
    const other = choices.filter((one) => !value.includes(one.value));
    return [other[other.length - 1].value];
  }
  if (sort === 'text')
    return [longest !== null && longest < 20 ? '4711' : `Answer to ${name.replace('.', ' ')} é`];
  const states = widgets.flatMap(({ state }) => (state === null ? [] : [state]));
  return states.filter((state) => !value.includes(state)).slice(0, 1);
}

const isSecret = ({ fields }: Form, name: string): boolean =>
  fields.some((field) => field.name === name && field.widgets[0].letters?.secret);

interface Filled {
  readonly source: Uint8Array;
  readonly form: Form;
  readonly state: DocState;
  readonly answers: ReadonlyMap<string, readonly string[]>;
}

async function filled({ bytes, pages }: (typeof FORMS)[number]): Promise<Filled> {
  const source = await bytes();
  const form = await readForm(source);
  const boxes = (await inspectPdf(source)).pages;
  const came = pagesOfSource(SHA, boxes, (k) => `p${k}`);
  let state: DocState = documentOfParts(pages(came), []);
  const tools = fillTools();
  const answers = new Map<string, readonly string[]>();
  for (const field of form.fields.filter(isFillable)) {
    const answer = answerTo(field);
    answers.set(field.name, answer);
    state = done(state, fillField(state, SHA, field, answer, tools));
  }
  return { source, form, state, answers };
}

interface QpdfField {
  readonly fullname: string;
  readonly value: unknown;
}

/** What qpdf finds in the fields of a file: texts, names, and lists of them. */
const byQpdf = (bytes: Uint8Array): ReadonlyMap<string, readonly string[]> =>
  withFile(bytes, (path) => {
    const { stdout } = spawnSync('qpdf', ['--json=2', '--json-key=acroform', path], {
      encoding: 'utf8',
    });
    const { acroform } = JSON.parse(stdout) as { acroform: { fields: readonly QpdfField[] } };
    const plain = (value: unknown): string => String(value).replace(/^(u:|\/)/, '');
    return new Map(
      acroform.fields.map(({ fullname, value }) => [
        fullname.replace(/^u:/, ''),
        (Array.isArray(value) ? value : [value])
          .map(plain)
          .filter((one) => one !== '' && one !== 'Off' && one !== 'null'),
      ]),
    );
  });

/** The same by pdf.js. */
const byPdfjs = (bytes: Uint8Array) =>
  withFile(bytes, (path) => {
    const script = join(__dirname, 'support/fieldsByPdfjs.mjs');
    const { stdout, stderr, status } = spawnSync('node', [script, path], { encoding: 'utf8' });
    if (status !== 0) throw new Error(stderr);
    return JSON.parse(stdout) as Record<
      string,
      { readonly value: string | readonly string[] | null; readonly hasAppearance: boolean }
    >;
  });

const READERS: readonly ReaderName[] = ['poppler, Splash', 'MuPDF', 'pdf.js'];
/** Blocks of a page that may differ between a fixed copy and a living one. */
const ALIKE = 0.004;

describe.each(FORMS)('a form $name', (one) => {
  let what: Filled;
  beforeAll(async () => {
    what = await filled(one);
  });
  const sources = () => [{ sha: SHA, bytes: what.source }];

  test('holds what was filled in when its living copy is opened elsewhere', async () => {
    const { state, answers } = what;
    const { bytes } = await makeLivingCopy(sources(), state, { deflate, madeAt: 0, ...textFiles });
    expect(complaintOfQpdf(bytes)).toBeNull();
    const [qpdf, pdfjs] = [byQpdf(bytes), byPdfjs(bytes)];
    for (const [name, answered] of answers) {
      // What is typed as a password stands in no file (ISO 32000-1, 12.7.4.3).
      const answer = isSecret(what.form, name) ? [] : answered;
      expect([name, qpdf.get(name)]).toEqual([name, answer]);
      const { value, hasAppearance } = pdfjs[name];
      const held = [value].flat().filter((text) => text !== null && text !== 'Off' && text !== '');
      expect([name, held]).toEqual([name, [...answer]]);
      if (answer.length > 0) expect([name, hasAppearance]).toEqual([name, true]);
    }
  });

  test('shows it in its fixed copy, which is proved, has it as text, and no form', async () => {
    const { state, answers, form, source } = what;
    const made = await makeFixedCopy(sources(), state, { deflate, ...textFiles });
    expect(complaintOfQpdf(made.bytes)).toBeNull();
    expect(byQpdf(made.bytes).size).toBe(0);
    const text = textOf(made.bytes).replace(/\s+/g, '');
    for (const { name, sort, choices, widgets } of form.fields) {
      const answer = answers.get(name);
      if (!answer || widgets[0].letters === null) continue;
      const said = sort === 'choice' ? choices.find((c) => c.value === answer[0])?.says : answer[0];
      const secret = widgets[0].letters.secret;
      expect([name, text.includes(String(said).replace(/\s+/g, ''))]).toEqual([name, !secret]);
    }
    expect(text).not.toContain('Dryonreturn');
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
  const what = await filled(FORMS[2]);
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
