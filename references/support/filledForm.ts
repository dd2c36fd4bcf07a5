import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { textFiles } from '../../cli/faces';
import { type DocState, documentOfParts, type Page, pagesOfSource } from '../../core/src/document';
import { type Form, type FormField, fillField, isFillable } from '../../core/src/fields';
import { inspectPdf, makeFixedCopy, makeLivingCopy, readForm } from '../../core/src/pdf';
import { fillTools } from '../../core/testing/forms';
import { done } from '../../core/testing/marks';
import { deflate } from './markedCopy';
import { complaintOfQpdf, textOf, withFile } from './programs';

const SHA = 'a'.repeat(64);

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

export const isSecret = ({ fields }: Form, name: string): boolean =>
  fields.some((field) => field.name === name && field.widgets[0].letters?.secret);

/** A form that is filled in. */
export interface Filled {
  readonly source: Uint8Array;
  readonly form: Form;
  readonly state: DocState;
  readonly answers: ReadonlyMap<string, readonly string[]>;
}

/**
 * A form with something filled into every field that can be filled in.
 * @param arrange in which order its pages come, and how they are turned
 */
export async function filledForm(
  source: Uint8Array,
  arrange: (pages: readonly Page[]) => readonly Page[] = (pages) => pages,
): Promise<Filled> {
  const form = await readForm(source);
  const boxes = (await inspectPdf(source)).pages;
  const came = pagesOfSource(SHA, boxes, (k) => `p${k}`);
  let state: DocState = documentOfParts(arrange(came), []);
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
export const byQpdf = (bytes: Uint8Array): ReadonlyMap<string, readonly string[]> =>
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
export const byPdfjs = (bytes: Uint8Array) =>
  withFile(bytes, (path) => {
    const script = join(process.cwd(), 'references/support/fieldsByPdfjs.mjs');
    const { stdout, stderr, status } = spawnSync('node', [script, path], { encoding: 'utf8' });
    if (status !== 0) throw new Error(stderr);
    return JSON.parse(stdout) as Record<
      string,
      { readonly value: string | readonly string[] | null; readonly hasAppearance: boolean }
    >;
  });

const bare = (text: string): string => text.replace(/\s+/g, '');

/** What qpdf and pdf.js do not find in the living copy of a form, of what was filled in; empty where they find all of it. */
export async function lostInLiving({ source, form, state, answers }: Filled): Promise<string[]> {
  const sources = [{ sha: SHA, bytes: source }];
  const { bytes } = await makeLivingCopy(sources, state, { deflate, madeAt: 0, ...textFiles });
  const complaint = complaintOfQpdf(bytes);
  const [qpdf, pdfjs] = [byQpdf(bytes), byPdfjs(bytes)];
  const lost = complaint === null ? [] : [complaint];
  for (const [name, answered] of answers) {
    // What is typed as a password stands in no file (ISO 32000-1, 12.7.4.3).
    const answer = isSecret(form, name) ? [] : answered;
    const { value = null, hasAppearance = false } = pdfjs[name] ?? {};
    const held = [value].flat().filter((text) => text !== null && text !== 'Off' && text !== '');
    if (String(qpdf.get(name)) !== String(answer)) lost.push(`${name}: qpdf has ${qpdf.get(name)}`);
    if (String(held) !== String(answer)) lost.push(`${name}: pdf.js has ${held}`);
    if (answer.length > 0 && !hasAppearance) lost.push(`${name}: pdf.js has no picture of it`);
  }
  return lost;
}

/** What pdftotext does not find in the fixed copy of a form; fields are none there. */
export async function lostInFixed({ source, form, state, answers }: Filled): Promise<string[]> {
  const sources = [{ sha: SHA, bytes: source }];
  const { bytes } = await makeFixedCopy(sources, state, { deflate, ...textFiles });
  const complaint = complaintOfQpdf(bytes);
  const lost = complaint === null ? [] : [complaint];
  if (byQpdf(bytes).size > 0) lost.push('the form is still there');
  const text = bare(textOf(bytes));
  for (const { name, sort, choices, widgets } of form.fields) {
    const answer = answers.get(name)?.[0];
    if (answer === undefined || widgets[0].letters === null) continue;
    const said = sort === 'choice' ? choices.find((c) => c.value === answer)?.says : answer;
    const isThere = text.includes(bare(String(said)));
    if (isThere === widgets[0].letters.secret)
      lost.push(isThere ? `${name}: is a secret, and told` : `${name}: “${said}” is not told`);
  }
  return lost;
}
