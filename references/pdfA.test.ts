import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { degrees, PDFDocument, PDFName } from '@cantoo/pdf-lib';
import type { CopyNote } from '@marginalis/core/copy';
import { inspectPdf, makeFixedCopy, makeLivingCopy } from '@marginalis/core/pdf';
import { prove } from '../cli/proving';
import { pictureTools } from '../cli/smaller';
import { textFiles } from '../cli/faces';
import { pageRefsFor } from '../core/testing/marks';
import { withEveryMark } from './support/everyMark';
import { deflate } from './support/markedCopy';
import { brokenRules } from './support/pdfARules';
import { complaintOfQpdf, withFile } from './support/programs';

/**
 * What is PDF/A-2b stays PDF/A-2b: samples that Ghostscript has made so (Debian package ghostscript), by the rules of
 * ISO 19005-2 that can be read off a file (support/pdfARules).
 */

jest.setTimeout(300_000);

const ALL = process.env.REFERENCES === 'all';
const PROFILES = '/usr/share/color/icc/ghostscript';
/** Colours of a screen, of a press, and those of a file without an intent. */
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

function pdfA(name: string, colours: keyof typeof COLOURS): Uint8Array {
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

const NOTE: CopyNote = {
  number: 1,
  place: { page: 0, at: { x: 200, y: 300 }, inMargin: true },
  about: 'Page 1',
  remarks: [{ by: 'Ines Mara', text: 'Measured twice: is the lowest line right?' }],
  task: '',
  labels: [],
  settled: '',
};
const SHA = 'a'.repeat(64);
const named = async (bytes: Uint8Array) => {
  const document = withEveryMark(pageRefsFor((await inspectPdf(bytes)).pages));
  return { document, notes: [NOTE] };
};

describe.each(
  (['rock-pool-zones', 'tide-log', 'handbook'] as const)
    .slice(0, ALL ? 3 : 1)
    .flatMap((name) => (['RGB', 'CMYK'] as const).map((colours) => ({ name, colours }))),
)('$name in $colours', ({ name, colours }) => {
  let source: Uint8Array;
  beforeAll(() => {
    source = pdfA(name, colours);
  });

  test('is PDF/A-2b as it comes, as far as the rules go', () => {
    expect(brokenRules(source)).toEqual([]);
  });

  test('a fixed copy is, with every mark, its notes beside or at the end, and smaller', async () => {
    const { document, notes } = await named(source);
    const smaller = { dpi: 96, tools: await pictureTools() };
    for (const more of [{ notesAt: 'beside' as const }, { notesAt: 'end' as const, smaller }]) {
      const { bytes } = await makeFixedCopy(source, document, {
        notes,
        deflate,
        ...more,
        ...textFiles,
      });
      expect(complaintOfQpdf(bytes)).toBeNull();
      expect(brokenRules(bytes)).toEqual([]);
    }
  });

  test('a living copy is', async () => {
    const { document } = await named(source);
    const options = { deflate, madeAt: Date.UTC(2026, 10, 29), ...textFiles };
    const { bytes } = await makeLivingCopy([{ sha: SHA, bytes: source }], document, options);
    expect(brokenRules(bytes)).toEqual([]);
  });
});

test('colours of ours that say what they are look as on the screen', async () => {
  const source = pdfA('rock-pool-zones', 'CMYK');
  const { document, notes } = await named(source);
  const { bytes } = await makeFixedCopy(source, document, { notes, deflate, ...textFiles });
  const { proof } = await prove({ source, document, notes }, bytes);
  expect(proof.pages.map(({ alike, differs }) => ({ alike, differs }))).toEqual(
    proof.pages.map(() => ({ alike: true, differs: expect.any(Number) })),
  );
});

test('a file without an intent keeps to colours that need none', async () => {
  const doc = await PDFDocument.load(pdfA('rock-pool-zones', 'RGB'), { updateMetadata: false });
  doc.catalog.delete(PDFName.of('OutputIntents'));
  for (const page of doc.getPages()) {
    // Only its marks are in colours then.
    page.node.delete(PDFName.of('Contents'));
    page.setRotation(degrees(0));
  }
  const source = await doc.save({ useObjectStreams: false });
  expect(brokenRules(source)).toEqual([]);
  const { document, notes } = await named(source);
  const { bytes } = await makeFixedCopy(source, document, { notes, deflate, ...textFiles });
  expect(brokenRules(bytes)).toEqual([]);
});

test('the rules find what breaks them', async () => {
  const source = pdfA('rock-pool-zones', 'RGB');
  const broken = async (change: (doc: PDFDocument) => void): Promise<readonly string[]> => {
    const doc = await PDFDocument.load(source, { updateMetadata: false });
    change(doc);
    return brokenRules(await doc.save({ useObjectStreams: false }));
  };
  const { document } = await named(source);
  const protection = {
    password: 'Flut',
    ownerPassword: 'x',
    mayPrint: true,
    mayCopy: true,
    mayChange: true,
  };
  // Locked it is none, and does not say that it is.
  const { bytes, pdfALost } = await makeFixedCopy(source, document, {
    deflate,
    protection,
    ...textFiles,
  });
  expect(pdfALost).toBe(true);
  expect(Buffer.from(bytes).includes(Buffer.from('pdfaid'))).toBe(false);
  expect(await broken((doc) => doc.catalog.delete(PDFName.of('OutputIntents')))).toContain(
    '6.2.4.3: DeviceRGB',
  );
  expect(await broken((doc) => doc.catalog.delete(PDFName.of('Metadata')))).toContain(
    '6.6.4: it does not say that it is PDF/A-2',
  );
  expect(
    await broken((doc) => {
      const action = doc.context.obj({ S: 'JavaScript', JS: doc.context.obj('x') });
      doc.catalog.set(PDFName.of('OpenAction'), action);
    }),
  ).toContain('6.5.1: an action /JavaScript');
  expect(
    await broken((doc) => {
      const annotation = doc.context.obj({ Type: 'Annot', Subtype: 'Square', Rect: [1, 1, 9, 9] });
      doc.getPage(0).node.set(PDFName.of('Annots'), doc.context.obj([annotation]));
    }),
  ).toEqual(
    expect.arrayContaining(['6.3.2: the flags of /Square', '6.3.3: no appearance of /Square']),
  );
});
