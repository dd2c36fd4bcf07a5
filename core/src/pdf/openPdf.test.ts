import fc from 'fast-check';
import { lockedPdf, pdfWith, plainPdf } from '../../testing/pdfs.ts';
import { inspectPdf } from './inspect.ts';
import { joined } from '../../testing/rawPdf.ts';
import { hasEnd, openPdf } from './openPdf.ts';
import { PdfRefusal } from '../document/index.ts';

const ascii = (text: string): Uint8Array => Uint8Array.from(text, (c) => c.charCodeAt(0));
const refusal = (bytes: Uint8Array, password?: string): Promise<string> =>
  openPdf(bytes, password).then(
    () => 'opened',
    (e: unknown) => {
      expect(e).toBeInstanceOf(PdfRefusal);
      expect((e as PdfRefusal).message).toMatch(/^[A-Z].*\.$/);
      return (e as PdfRefusal).reason;
    },
  );

test('each kind of wrong file gets its own reason and a sentence', async () => {
  expect(await refusal(new Uint8Array())).toBe('empty');
  expect(await refusal(ascii('<!doctype html><title>Not a PDF</title>'))).toBe('not-pdf');
  expect(await refusal(ascii('%PDF-1.7\n'))).toBe('cut-short');
  expect(await refusal(ascii('%PDF-1.7\n%%EOF\n'))).toBe('damaged');
  expect(await refusal(await plainPdf())).toBe('opened');
});

test('a locked file asks for its password, and says when it is wrong', async () => {
  const bytes = await lockedPdf('limpet');
  expect(await refusal(bytes)).toBe('locked');
  expect(await refusal(bytes, 'whelk')).toBe('wrong-password');
  expect(await refusal(bytes, 'limpet')).toBe('opened');
});

test('a file that only its owner’s password protects opens for everyone', async () => {
  expect(await refusal(await lockedPdf(''))).toBe('opened');
  expect((await inspectPdf(await lockedPdf(''))).pages).toHaveLength(1);
});

test('a file cut anywhere is refused in words, or rescued and said to be', async () => {
  const whole = await plainPdf(3);
  await fc.assert(
    fc.asyncProperty(fc.integer({ min: 0, max: whole.length - 1 }), async (at) => {
      const cut = whole.slice(0, at);
      try {
        const { pages, rescued } = await inspectPdf(cut);
        expect(pages.length).toBeGreaterThan(0);
        if (!ascii('%%EOF').every((b) => cut.includes(b))) expect(rescued).toBe(true);
      } catch (e) {
        expect(e).toBeInstanceOf(PdfRefusal);
      }
    }),
    { numRuns: 60 },
  );
});

test('bytes changed at random never end in anything but an opened file or a refusal', async () => {
  const whole = await plainPdf(2);
  const change = fc.tuple(fc.nat({ max: whole.length - 1 }), fc.nat({ max: 255 }));
  await fc.assert(
    fc.asyncProperty(fc.array(change, { minLength: 1, maxLength: 12 }), async (changes) => {
      const damaged = whole.slice();
      for (const [at, byte] of changes) damaged[at] = byte;
      try {
        await inspectPdf(damaged);
      } catch (e) {
        expect(e).toBeInstanceOf(PdfRefusal);
      }
    }),
    { numRuns: 60 },
  );
});

test('a page tree that runs in circles is refused, not followed', async () => {
  const text = new TextDecoder('latin1').decode(await plainPdf());
  const circular = text.replace(/\/Kids \[ \d+ 0 R \]/, (kids) => {
    const self = /(\d+) 0 obj\n<<\n\/Type \/Pages/.exec(text)?.[1] ?? '1';
    return kids.replace(/\d+ 0 R/, `${self} 0 R`);
  });
  expect(circular).not.toBe(text);
  expect(await refusal(ascii(circular))).toBe('damaged');
});

test('what a document says of itself: title, pages, a scan, a signature that is there', async () => {
  const { title, pages, scanned, signed, rescued } = await inspectPdf(
    await pdfWith((_p, doc) => doc.setTitle('  Tide log  '), 2),
  );
  expect({ title, count: pages.length, scanned, signed, rescued }).toEqual({
    title: 'Tide log',
    count: 2,
    scanned: false,
    signed: false,
    rescued: false,
  });
  const withField = (value: boolean) =>
    pdfWith((_page, doc) => {
      const { context } = doc;
      const sig = context.register(context.obj({ Type: 'Sig' }));
      const field = context.obj({ FT: 'Sig', ...(value ? { V: sig } : {}) });
      doc.catalog.set(
        context.obj('AcroForm') as never,
        context.obj({ Fields: [context.register(field)] }),
      );
    });
  expect((await inspectPdf(await withField(false))).signed).toBe(false);
  expect((await inspectPdf(await withField(true))).signed).toBe(true);
});

test('the end is there however much else follows it, and not when objects do', async () => {
  const whole = await plainPdf();
  expect(hasEnd(whole)).toBe(true);
  expect(hasEnd(joined(whole, 'a mail’s last words '.repeat(500)))).toBe(true);
  expect(hasEnd(whole.slice(0, whole.length - 8))).toBe(false);
  // An update that was cut short: the end of the first version stands before it.
  expect(hasEnd(joined(whole, '\n9 0 obj\n<< >>\nendobj\n10 0 obj\n<<'))).toBe(false);
  expect(hasEnd(new Uint8Array())).toBe(false);
});
