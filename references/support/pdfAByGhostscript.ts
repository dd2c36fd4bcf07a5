import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { withFile } from './programs';

const PROFILES = '/usr/share/color/icc/ghostscript';
/** Colours of a screen, and of a press. */
const COLOURS = {
  RGB: { profile: `${PROFILES}/srgb.icc`, n: 3 },
  CMYK: { profile: `${PROFILES}/default_cmyk.icc`, n: 4 },
} as const;

/** Colours of what is made; its intent among the catalogue's. */
const definitions = ({ profile, n }: { profile: string; n: number }): string => `%!
[/_objdef {icc} /type /stream /OBJ pdfmark
[{icc} << /N ${n} >> /PUT pdfmark
[{icc} (${profile}) (r) file /PUT pdfmark
[/_objdef {intent} /type /dict /OBJ pdfmark
[{intent} << /Type /OutputIntent /S /GTS_PDFA1 /DestOutputProfile {icc} /OutputConditionIdentifier (own) >> /PUT pdfmark
[{Catalog} << /OutputIntents [ {intent} ] >> /PUT pdfmark
`;

/** A sample as PDF/A-2b, as Ghostscript makes it (Debian package ghostscript). */
export function pdfA(name: string, colours: keyof typeof COLOURS): Uint8Array {
  const source = new Uint8Array(readFileSync(`demo/documents/${name}.pdf`));
  return withFile(source, (path) => {
    const [marks, to] = [`${path}.ps`, `${path}.out.pdf`];
    writeFileSync(marks, definitions(COLOURS[colours]));
    const { status, stderr, stdout } = spawnSync(
      'gs',
      [
        ...['-dPDFA=2', '-dBATCH', '-dNOPAUSE', '-dQUIET', '-sDEVICE=pdfwrite'],
        ...[`-sColorConversionStrategy=${colours}`, '-dPDFACompatibilityPolicy=1'],
        ...[`--permit-file-read=${PROFILES}/`, `-sOutputFile=${to}`, marks, path],
      ],
      { encoding: 'utf8' },
    );
    if (status !== 0) throw new Error(stdout + stderr);
    return new Uint8Array(readFileSync(to));
  });
}
