import { PDFDocument, PDFName, type PDFPage, type PDFRef, type PDFStream } from '@cantoo/pdf-lib';
import { forgetReplaced } from './forgetReplaced.ts';

const name = (text: string): PDFName => PDFName.of(text);

/** A document whose page names a form, with content and resources of one's own. */
async function naming(
  content: string,
  more: (doc: PDFDocument, form: PDFRef) => Record<string, unknown> = () => ({}),
): Promise<{ doc: PDFDocument; form: PDFRef; page: PDFPage }> {
  const doc = await PDFDocument.create();
  const { context } = doc;
  const form = context.register(
    context.stream('0 0 9 9 re f', { Type: 'XObject', Subtype: 'Form' }),
  );
  const page = doc.addPage();
  const resources = { XObject: { Fm: form }, ...more(doc, form) };
  page.node.set(name('Resources'), context.obj(resources as never));
  page.node.set(name('Contents'), context.register(context.stream(content)));
  return { doc, form, page };
}

/** Whether it is still there when it is drawn no more where it was. */
function isLeft({ doc, form }: { doc: PDFDocument; form: PDFRef }): boolean {
  forgetReplaced(doc, new Set([doc.context.lookup(form) as PDFStream]));
  return doc.context.lookup(form) !== undefined;
}

test('what only has a name is gone, what is drawn stays', async () => {
  expect(isLeft(await naming('0 0 1 1 re f'))).toBe(false);
  expect(isLeft(await naming('q /Fm Do Q'))).toBe(true);
  // Within a text it is no operator.
  expect(isLeft(await naming('BT (/Fm Do) Tj ET'))).toBe(false);
});

test('what is drawn by something that is drawn stays', async () => {
  const outer = (of: Record<string, unknown>) => (doc: PDFDocument, form: PDFRef) => {
    const dict = { Type: 'XObject', Subtype: 'Form', ...of };
    const ref = doc.context.register(doc.context.stream('/Fm Do', dict as never));
    return { XObject: { Fm: form, Outer: ref } };
  };
  // Without names of its own it has those of the page.
  expect(isLeft(await naming('/Outer Do', outer({})))).toBe(true);
  expect(isLeft(await naming('/Outer Do', outer({ Resources: {} })))).toBe(false);
  expect(isLeft(await naming('', outer({})))).toBe(false);
});

test('patterns, soft masks and letters that are drawings draw', async () => {
  const pattern = (_: PDFDocument, form: PDFRef) => ({ Pattern: { P: form } });
  expect(isLeft(await naming('/Pattern cs /P scn', pattern))).toBe(true);
  expect(isLeft(await naming('/Pattern cs', pattern))).toBe(false);
  const mask = (_: PDFDocument, form: PDFRef) => ({
    ExtGState: { G: { SMask: { S: 'Alpha', G: form } } },
  });
  expect(isLeft(await naming('/G gs', mask))).toBe(true);
  const letters = ({ context }: PDFDocument, form: PDFRef) => ({
    Font: {
      F: {
        ...{ Type: 'Font', Subtype: 'Type3', Resources: { XObject: { Fm: form } } },
        CharProcs: { a: context.register(context.stream('9 0 d0 /Fm Do')) },
      },
    },
  });
  expect(isLeft(await naming('BT /F 9 Tf (a) Tj ET', letters))).toBe(true);
  expect(isLeft(await naming('BT ET', letters))).toBe(false);
});

test('annotations draw, and so does what cannot be read', async () => {
  const { doc, form, page } = await naming('');
  const annotation = { Type: 'Annot', Subtype: 'Stamp', AP: { N: { On: form } } };
  page.node.set(name('Annots'), doc.context.obj([annotation as never]));
  expect(isLeft({ doc, form })).toBe(true);
  const unread = (other: PDFDocument, inner: PDFRef) => {
    const dict = { Subtype: 'Form', Filter: 'FlateDecode', Resources: { XObject: { Fm: inner } } };
    const ref = other.context.register(other.context.stream('no', dict as never));
    return { XObject: { Outer: ref } };
  };
  expect(isLeft(await naming('/Outer Do', unread))).toBe(true);
});

test('what draws itself comes to an end', async () => {
  const { doc, form } = await naming('/Fm Do', (other, self) => {
    const stream = other.context.lookup(self) as PDFStream;
    stream.dict.set(name('Resources'), other.context.obj({ XObject: { Fm: self } }));
    return {};
  });
  doc.context.assign(form, doc.context.stream('/Fm Do', { Subtype: 'Form' }));
  expect(isLeft({ doc, form })).toBe(true);
});
