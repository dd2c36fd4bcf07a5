import { deepStrictEqual, strictEqual } from 'node:assert';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { PdfRefusal } from '@marginalis/core/document';
import { checkCopy, type CopyReport } from './support/checkCopy';
import { filledForm, lostInFixed, lostInLiving } from './support/filledForm';
import { unlocked } from './support/programs';

/**
 * Makes a marked fixed copy of every PDF in a folder and counts: copies made, sound, same text, same streams, same
 * pictures in six readers, the proof; of forms also whether what is filled in is found by qpdf, pdf.js and pdftotext. Fails when one that is made is not all of that, or cannot be made for a reason that is not
 * told to people. npm run references -- FOLDER [--password P] [--pages N]
 */
const [folder, ...options] = process.argv.slice(2);
const option = (name: string): string | undefined => options[options.indexOf(name) + 1 || Infinity];
const password = option('--password');
const most = Number(option('--pages') ?? 4);

/** Blocks of a page that may differ outside the marks: none but for what renderers round otherwise. */
const SAME = 0.0005;
/** How far two readers' marks may be apart; half of it is their antialiasing. */
const ALIKE = 0.12;

/** What of its form is lost in its copies; null where there is nothing to fill in. */
async function lostOfForm(bytes: Uint8Array): Promise<readonly string[] | null> {
  const form = await filledForm(bytes);
  if (form.answers.size === 0) return null;
  return [...(await lostInLiving(form)), ...(await lostInFixed(form))];
}

const count = {
  files: 0,
  refused: 0,
  made: 0,
  sound: 0,
  text: 0,
  streams: 0,
  outside: 0,
  inside: 0,
  proved: 0,
  forms: 0,
  filled: 0,
};
const words: string[] = [];
for (const name of readdirSync(folder)
  .filter((n) => /\.pdf$/i.test(n))
  .sort()) {
  count.files++;
  const started = performance.now();
  let report: CopyReport;
  let lost: readonly string[] | null;
  try {
    const read = new Uint8Array(readFileSync(join(folder, name)));
    const bytes = password === undefined ? read : unlocked(read, password, true);
    report = await checkCopy(bytes, most);
    lost = await lostOfForm(bytes);
  } catch (e) {
    if (!(e instanceof PdfRefusal))
      words.push(`${name}: ${e instanceof Error ? e.stack : String(e)}`);
    else count.refused++;
    console.log(`${name}: no copy: ${e instanceof Error ? e.message : String(e)}`);
    continue;
  }
  count.made++;
  const shares = Object.entries(report.outside).filter(
    ([, s]) => typeof s === 'string' || s > SAME,
  );
  const apart = Object.entries(report.inside).filter(([, a]) => a > ALIKE);
  const sound = report.qpdf === null && report.mupdf.length === 0;
  if (sound) count.sound++;
  if (report.sameText) count.text++;
  if (report.streams.changed.length === 0) count.streams++;
  if (shares.length === 0) count.outside++;
  if (apart.length === 0) count.inside++;
  if (report.unlike.length === 0) count.proved++;
  if (lost) count.forms++;
  if (lost?.length === 0) count.filled++;
  const percent = (n: number | string): string =>
    typeof n === 'string' ? n : `${(100 * n).toFixed(2)} %`;
  console.log(
    [
      `${name}: ${report.pages} pages`,
      sound ? 'sound' : `NOT SOUND (${report.qpdf ?? ''}${report.mupdf.join('; ')})`,
      report.sameText ? 'same text' : 'OTHER TEXT',
      `${report.streams.both} streams${report.streams.changed.length > 0 ? ` CHANGED ${report.streams.changed.join(' ')}` : ' the same'}`,
      shares.length > 0
        ? `OTHER PICTURES ${shares.map(([n, s]) => `${n} ${percent(s)}`).join(', ')}`
        : `same pictures in ${Object.keys(report.outside).length} readers`,
      apart.length > 0
        ? `MARKS APART ${apart.map(([n, a]) => `${n} ${percent(a)}`).join(', ')}`
        : `marks alike`,
      report.unlike.length === 0
        ? 'proved'
        : `NOT PROVED ${typeof report.unlike === 'string' ? report.unlike : `pages ${report.unlike.join(' ')}`}`,
      ...(lost === null
        ? []
        : [lost.length === 0 ? 'filled in' : `NOT FILLED IN ${lost.slice(0, 5).join('; ')}`]),
      `${((performance.now() - started) / 1000).toFixed(0)} s`,
    ].join(' · '),
  );
}
for (const line of words) console.error(line);
console.log(
  `\n${count.files} files: ${count.made} copies made, ${count.refused} refused, ${count.sound} sound, ` +
    `${count.text} with the same text, ${count.streams} with the same streams, ` +
    `${count.outside} with the same pictures away from the marks, ${count.inside} with the marks alike, ${count.proved} proved; ` +
    `${count.forms} forms, ${count.filled} with what was filled in`,
);
const { made, sound, text, streams, outside, inside, proved, forms, filled } = count;
deepStrictEqual(
  { sound, text, streams, outside, inside, proved, filled },
  {
    ...{ sound: made, text: made, streams: made, outside: made, inside: made, proved: made },
    filled: forms,
  },
  'Not every copy is as it should be; which, stands above.',
);
strictEqual(words.length, 0, 'Some files could not be copied, and people would not be told why.');
