import { degrees, PDFDocument, PDFName } from '@cantoo/pdf-lib';
import type { CopyNote } from '@marginalis/core/copy';
import { inspectPdf, makeFixedCopy, makeLivingCopy } from '@marginalis/core/pdf';
import { prove } from '../cli/proving';
import { pictureTools } from '../cli/smaller';
import { textFiles } from '../cli/faces';
import { pageRefsFor } from '../core/testing/marks';
import { withEveryMark } from './support/everyMark';
import { deflate } from './support/markedCopy';
import { pdfA } from './support/pdfAByGhostscript';
import { brokenRules } from './support/pdfARules';
import { complaintOfQpdf } from './support/programs';

/**
 * What is PDF/A-2b stays PDF/A-2b: samples that Ghostscript has made so (Debian package ghostscript), by the rules of
 * ISO 19005-2 that can be read off a file (support/pdfARules).
 */

jest.setTimeout(300_000);

const ALL = process.env.REFERENCES === 'all';
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

test('a locked copy is none, and does not say that it is', async () => {
  const source = pdfA('rock-pool-zones', 'RGB');
  const { document } = await named(source);
  const allowed = { mayPrint: true, mayCopy: true, mayChange: true };
  const protection = { password: 'Flut', ownerPassword: 'x', ...allowed };
  const options = { deflate, protection, ...textFiles };
  const { bytes, pdfALost } = await makeFixedCopy(source, document, options);
  expect(pdfALost).toBe(true);
  expect(Buffer.from(bytes).includes(Buffer.from('pdfaid'))).toBe(false);
});
