import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PDFDocument, PDFHexString, PDFName, PDFNumber, PDFString } from '@cantoo/pdf-lib';

/** Bytes that are left for the signature, and a number that leaves room for any place in the file. */
const ROOM = 4096;
const WIDE = 9_999_999_999;

function run(program: string, args: readonly string[]): string {
  const { status, stdout, stderr, error } = spawnSync(program, args, { encoding: 'utf8' });
  if (error) throw error;
  if (status !== 0) throw new Error(`${program}: ${stderr}`);
  return stdout;
}

/** A PDF with a detached signature over all of it (ISO 32000-1 §12.8), by a key that openssl makes for it. */
export async function signedPdf(source: Uint8Array): Promise<Uint8Array> {
  const doc = await PDFDocument.load(source, { updateMetadata: false });
  const { context, catalog } = doc;
  const value = context.register(
    context.obj({
      Type: 'Sig',
      Filter: 'Plain',
      SubFilter: 'adbe.pkcs7.detached',
      ByteRange: [0, WIDE, WIDE, WIDE].map((n) => PDFNumber.of(n)),
      Contents: PDFHexString.of('0'.repeat(2 * ROOM)),
      M: PDFString.fromDate(new Date(0)),
    }),
  );
  const page = doc.getPage(0);
  const field = context.register(
    context.obj({
      Type: 'Annot',
      Subtype: 'Widget',
      FT: 'Sig',
      T: PDFString.of('signature'),
      V: value,
      Rect: [0, 0, 0, 0],
      F: 132,
      P: page.ref,
    }),
  );
  page.node.addAnnot(field);
  catalog.set(PDFName.of('AcroForm'), context.obj({ Fields: [field], SigFlags: 3 }));
  return signed(Buffer.from(await doc.save({ useObjectStreams: false })));
}

function signed(file: Buffer): Uint8Array {
  const open = file.indexOf(`<${'0'.repeat(64)}`);
  const close = open + 2 * ROOM + 2;
  const range = `[ 0 ${open} ${close} ${file.length - close} ]`;
  const at = file.indexOf('[', file.indexOf('/ByteRange'));
  const end = file.indexOf(']', at) + 1;
  file.write(range.padEnd(end - at), at, 'latin1');
  const folder = mkdtempSync(join(tmpdir(), 'signed-'));
  const path = (name: string): string => join(folder, name);
  try {
    writeFileSync(path('data'), Buffer.concat([file.subarray(0, open), file.subarray(close)]));
    run('openssl', [
      ...['req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-days', '2', '-subj', '/CN=Ines Mara'],
      ...['-keyout', path('key'), '-out', path('certificate')],
    ]);
    run('openssl', [
      ...['cms', '-sign', '-binary', '-md', 'sha256', '-outform', 'DER', '-in', path('data')],
      ...['-signer', path('certificate'), '-inkey', path('key'), '-out', path('signature')],
    ]);
    const signature = readFileSync(path('signature')).toString('hex');
    file.write(signature.padEnd(2 * ROOM, '0'), open + 1, 'latin1');
    return new Uint8Array(file);
  } finally {
    rmSync(folder, { recursive: true });
  }
}

/** What poppler's pdfsig says of the signatures of a file; the certificate is not looked at, since nobody has vouched for it. */
export function signaturesOf(bytes: Uint8Array): string {
  const folder = mkdtempSync(join(tmpdir(), 'signed-'));
  try {
    writeFileSync(join(folder, 'a.pdf'), bytes);
    return run('pdfsig', ['-nocert', join(folder, 'a.pdf')]);
  } finally {
    rmSync(folder, { recursive: true });
  }
}
