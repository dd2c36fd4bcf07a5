import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import {
  ascii,
  joined,
  pageObjects,
  rawPdf,
  type RawObject,
  rawStream,
} from '../../core/testing/rawPdf';
import { withFile } from './programs';

const byQpdf =
  (...options: string[]) =>
  (bytes: Uint8Array): Uint8Array =>
    withFile(bytes, (path) => {
      const to = `${path}.out`;
      const { status, stderr } = spawnSync('qpdf', [...options, path, to], { encoding: 'utf8' });
      if (status !== 0) throw new Error(stderr);
      return new Uint8Array(readFileSync(to));
    });

/** The same document as other programs would have written it. */
export const REWRITTEN: Readonly<Record<string, (bytes: Uint8Array) => Uint8Array>> = {
  'as it is': (bytes) => bytes,
  'with object streams': byQpdf('--object-streams=generate'),
  'with a classic table': byQpdf('--object-streams=disable', '--force-version=1.4'),
  linearized: byQpdf('--linearize', '--object-streams=generate'),
};

/** A page of print whose font stands in an object stream that only a hybrid file's second table knows (§7.5.8.4). */
export function hybridPdf(): Uint8Array {
  const print = ascii('BT /F 24 Tf 40 300 Td (Spring tide) Tj ET');
  const font = '<< /Type /Font /Subtype /Type1 /BaseFont /Times-Roman >>';
  const held = ascii(`5 0\n${font}`);
  const objects: RawObject[] = [
    ...pageObjects('/Resources << /Font << /F 5 0 R >> >>'),
    [4, rawStream(`/Length ${print.length}`, print)],
    [7, rawStream(`/Type /ObjStm /N 1 /First 4 /Length ${held.length}`, held)],
  ];
  const table = Uint8Array.from([2, 0, 7, 0]);
  const second: RawObject = [
    8,
    rawStream('/Type /XRef /W [1 2 1] /Index [5 1] /Size 9 /Length 4 /Root 1 0 R', table),
  ];
  const place = new TextDecoder('latin1').decode(rawPdf([...objects, second])).indexOf('8 0 obj');
  return joined(rawPdf([...objects, second], `/XRefStm ${place}`));
}
