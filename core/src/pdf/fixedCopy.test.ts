import { deflateSync } from 'node:zlib';
import fc from 'fast-check';
import {
  PDFArray,
  PDFContext,
  PDFCrossRefStream,
  PDFDict,
  PDFDocument,
  PDFName,
  PDFRawStream,
  PDFRef,
  decodePDFRawStream,
  PDFStream,
} from '@cantoo/pdf-lib';
import { smallPicture } from '../../testing/attachment.ts';
import { alongCorners, wavePath } from '../../testing/hand.ts';
import { done, HIGHLIGHTER, pageRefsFor, written } from '../../testing/marks.ts';
import {
  action,
  everythingIn,
  layeredPdf,
  lockedPdf,
  pageContent,
  pdfWith,
  plainPdf,
} from '../../testing/pdfs.ts';
import { emptyDocument } from '../document/index.ts';
import { putPicture } from '../editing/index.ts';
import { FixedCopyStopped, makeFixedCopy } from './fixedCopy.ts';
import { inspectPdf } from './inspect.ts';
import { quickenCrossReferences } from './library/quickCrossReferences.ts';

const WAVE = wavePath({ x: 60, y: 200 }, 150, 8, 3);
const BAR = alongCorners([
  { x: 60, y: 300 },
  { x: 200, y: 300 },
]);

async function marked(source: Uint8Array, strokes: Parameters<typeof written>[1], options = {}) {
  const pages = pageRefsFor((await inspectPdf(source)).pages);
  return makeFixedCopy(source, written(pages, strokes), options);
}

/** Every form the page draws, nested ones too, decoded. */
function formsOf(dict: PDFDict | undefined): { dict: PDFDict; text: string }[] {
  const resources = dict?.lookup(PDFName.of('Resources'));
  const held = resources instanceof PDFDict ? resources.lookup(PDFName.of('XObject')) : undefined;
  if (!(held instanceof PDFDict)) return [];
  return held.entries().flatMap(([name]) => {
    const form = held.lookup(name);
    if (!(form instanceof PDFStream)) return [];
    const bytes =
      form instanceof PDFRawStream ? decodePDFRawStream(form).decode() : form.getContents();
    return [
      { dict: form.dict, text: new TextDecoder('latin1').decode(bytes) },
      ...formsOf(form.dict),
    ];
  });
}

test('ink is filled paths on the hundredth of a point, in its colour, non-zero', async () => {
  const source = await plainPdf();
  const copy = await marked(source, [{ page: 0, path: WAVE }]);
  const [form] = formsOf((await PDFDocument.load(copy.bytes)).getPage(0).node);
  expect(copy.marksDrawn).toBe(1);
  expect(form.text).toContain('0.01 0 0 0.01 0 0 cm');
  expect(form.text).toMatch(
    /0\.1216 0\.2 0\.3804 rg\nq 1 0 0 1 \d+ \d+ cm\n\d+ \d+ m\n(\d+ \d+ l\n)+h\nf Q\n/,
  );
  expect(form.text).not.toMatch(/f\*|\d\.\d+ \d+ l/);
});

test('the strokes of one highlighter are one isolated group, multiplied once', async () => {
  const copy = await marked(await plainPdf(), [
    { page: 0, path: BAR, instrument: HIGHLIGHTER },
    { page: 0, path: BAR.map((p) => ({ x: p.x, y: p.y - 6 })), instrument: HIGHLIGHTER },
    { page: 0, path: WAVE },
  ]);
  const forms = formsOf((await PDFDocument.load(copy.bytes)).getPage(0).node);
  const groups = forms.filter((f) => f.dict.has(PDFName.of('Group')));
  expect(groups).toHaveLength(1);
  expect(groups[0].text.match(/\nf Q(?=\n|$)/g)).toHaveLength(2);
  const state = String(forms[0].dict.lookup(PDFName.of('Resources')));
  expect(state).toMatch(/\/BM \/Multiply/);
  expect(state).toMatch(/\/ca 0\.75/);
});

test('the source is not changed, pages without marks keep their content, and the same input gives the same marks', async () => {
  const source = await plainPdf(3);
  const before = source.slice();
  const copy = await marked(source, [{ page: 1, path: WAVE }]);
  expect(source).toEqual(before);
  const doc = await PDFDocument.load(copy.bytes);
  const original = await PDFDocument.load(source);
  for (const i of [0, 2])
    expect(pageContent(doc.getPage(i))).toEqual(pageContent(original.getPage(i)));
  expect(formsOf(doc.getPage(0).node)).toEqual([]);
  const again = await marked(source, [{ page: 1, path: WAVE }]);
  expect(formsOf((await PDFDocument.load(again.bytes)).getPage(1).node)[0].text).toBe(
    formsOf(doc.getPage(1).node)[0].text,
  );
});

test('content that leaves its states open is evened out before the marks are drawn', async () => {
  const source = await pdfWith((page) => {
    const { context } = page.doc;
    const odd = context.register(context.stream('q q 0.5 0 0 0.5 100 100 cm /P BMC'));
    page.node.set(
      PDFName.of('Contents'),
      context.obj([page.node.get(PDFName.of('Contents')) as never, odd]),
    );
  });
  const { bytes } = await marked(source, [{ page: 0, path: WAVE }]);
  const text = new TextDecoder('latin1').decode(
    pageContent((await PDFDocument.load(bytes)).getPage(0)),
  );
  expect(text.startsWith('q ')).toBe(true);
  expect(text.trimEnd()).toMatch(/EMC Q Q Q q \/Artifact BMC \/Marks Do EMC Q$/);
});

test('pages that share their resources do not get each other’s marks', async () => {
  const source = await pdfWith((page, doc, i) => {
    if (i === 0) return;
    const first = doc.getPage(0).node;
    page.node.set(PDFName.of('Resources'), first.get(PDFName.of('Resources')) as never);
  }, 2);
  const { bytes } = await marked(source, [{ page: 0, path: WAVE }]);
  const doc = await PDFDocument.load(bytes);
  expect(formsOf(doc.getPage(0).node)).toHaveLength(1);
  expect(formsOf(doc.getPage(1).node)).toHaveLength(0);
});

test('a name the page already uses is not taken away from it', async () => {
  const source = await pdfWith((page) => {
    const form = page.doc.context.register(
      page.doc.context.stream('0 g', { Type: 'XObject', Subtype: 'Form', BBox: [0, 0, 9, 9] }),
    );
    page.node.setXObject(PDFName.of('Marks'), form);
  });
  const { bytes } = await marked(source, [{ page: 0, path: WAVE }]);
  const names = (await PDFDocument.load(bytes))
    .getPage(0)
    .node.Resources()
    ?.lookup(PDFName.of('XObject'), PDFDict);
  expect(names?.keys().map((k) => k.decodeText())).toEqual(['Marks', 'Marks2']);
});

test('progress counts the pages; stopping ends the work', async () => {
  const source = await plainPdf(4);
  const seen: string[] = [];
  await marked(source, [], {
    onProgress: (done: number, all: number) => seen.push(`${done}/${all}`),
  });
  expect(seen).toEqual(['1/4', '2/4', '3/4', '4/4']);
  let asked = 0;
  await expect(marked(source, [], { shouldStop: () => ++asked > 2 })).rejects.toThrow(
    FixedCopyStopped,
  );
});

test('a locked source needs its password, and the copy is open', async () => {
  const source = await lockedPdf('limpet');
  await expect(makeFixedCopy(source, emptyDocument([]))).rejects.toMatchObject({
    reason: 'locked',
  });
  const copy = await makeFixedCopy(source, emptyDocument([]), { password: 'limpet' });
  expect(copy.encryptionLost).toBe(true);
  expect((await PDFDocument.load(copy.bytes)).isEncrypted).toBe(false);
  expect((await marked(await plainPdf(), [])).encryptionLost).toBe(false);
});

test('the platform’s compressor is used where it is given', async () => {
  let asked = 0;
  const deflate = async (bytes: Uint8Array) => {
    asked++;
    return new Uint8Array(deflateSync(bytes));
  };
  const copy = await marked(await plainPdf(), [{ page: 0, path: WAVE }], { deflate });
  expect(asked).toBe(1);
  const [form] = formsOf((await PDFDocument.load(copy.bytes)).getPage(0).node);
  expect(form.text).toMatch(/\nf Q\nQ\n$/);
});

test('form fields are drawn with their values, even where the form asks viewers to do it', async () => {
  const source = await pdfWith((page, doc) => {
    const form = doc.getForm();
    const field = form.createTextField('name');
    field.setText('Saltmarsh');
    field.addToPage(page, { x: 40, y: 100, width: 120, height: 20 });
    const box = form.createCheckBox('seen');
    box.addToPage(page, { x: 40, y: 60, width: 14, height: 14 });
    box.check();
    form.acroForm.dict.set(PDFName.of('NeedAppearances'), doc.context.obj(true) as never);
    for (const widget of field.acroField.getWidgets()) widget.dict.delete(PDFName.of('AP'));
  });
  const copy = await marked(source, []);
  expect(copy.annotationsDrawn).toBe(2);
  const doc = await PDFDocument.load(copy.bytes);
  expect(doc.catalog.has(PDFName.of('AcroForm'))).toBe(false);
  const texts = formsOf(doc.getPage(0).node)
    .map((f) => f.text)
    .join('\n');
  expect(texts).toMatch(/<53616C746D61727368> Tj/i);
});

test('a form that is no form does not stop the copy, and damage to it is told', async () => {
  for (const [AcroForm, damaged] of [
    [{ Fields: 7 }, false],
    [{ Fields: [{ Kids: 3 }] }, true],
    [{ Fields: [5, { FT: 'Tx', Kids: [7] }] }, true],
    [{ Fields: [{ FT: 'Tx', T: 9, Kids: [{ Subtype: 'Widget', Parent: 4 }] }] }, true],
    [{ Fields: [], DR: 3, NeedAppearances: true }, false],
    [{}, false],
  ] as const) {
    const source = await pdfWith((_p, doc) =>
      doc.catalog.set(PDFName.of('AcroForm'), doc.context.obj(AcroForm as never)),
    );
    const copy = await marked(source, [{ page: 0, path: WAVE }]);
    expect([AcroForm, copy.marksDrawn, copy.formDamaged]).toEqual([AcroForm, 1, damaged]);
  }
});

test('what is taken out is not in the bytes: fields, other forms, scripts, what follows an action', async () => {
  const source = await pdfWith((page, doc) => {
    const { context } = doc;
    const form = doc.getForm();
    const field = form.createTextField('secretname');
    field.addToPage(page, { x: 40, y: 100, width: 120, height: 20 });
    const widget = field.acroField.getWidgets()[0].dict;
    widget.set(PDFName.of('AA'), context.obj({ K: action('JavaScript', { JS: 'one()' }, doc) }));
    const xfa = context.register(context.stream('<xdp>two</xdp>'));
    form.acroForm.dict.set(PDFName.of('XFA'), xfa);
    const script = context.register(action('JavaScript', { JS: 'three()' }, doc));
    const open = action('GoTo', {}, doc);
    open.set(PDFName.of('D'), context.obj([page.ref, 'Fit']));
    open.set(PDFName.of('Next'), context.obj([script]));
    doc.catalog.set(PDFName.of('OpenAction'), context.register(open));
    doc.catalog.set(
      PDFName.of('Names'),
      context.obj({ JavaScript: context.register(context.obj({ Names: [script] })) }),
    );
    page.node.set(PDFName.of('PresSteps'), context.obj({ NA: script }));
    // The structure of a tagged document leads to the field as well.
    doc.catalog.set(
      PDFName.of('StructTreeRoot'),
      context.obj({ K: { Type: 'OBJR', Obj: page.node.Annots()?.get(0) as never } }),
    );
  });
  const { bytes } = await marked(source, []);
  const text = await everythingIn(bytes);
  expect(text).not.toMatch(/JavaScript|secretname|xdp|AcroForm|NeedAppearances|Widget|PresSteps/);
  expect(text).not.toMatch(/one\(\)|three\(\)/);
  expect(text).toMatch(/\/OpenAction/);
  expect(text).toMatch(/OBJR/);
});

test('null among a page’s contents goes, on pages with marks and without', async () => {
  const source = await pdfWith((page) => {
    const { context } = page.doc;
    const contents = page.node.lookup(PDFName.of('Contents'), PDFArray).get(0) as never;
    const gone = PDFRef.of(4000);
    page.node.set(PDFName.of('Contents'), context.obj([null, contents, gone]));
  }, 2);
  const { bytes } = await marked(source, [{ page: 0, path: WAVE }]);
  const doc = await PDFDocument.load(bytes);
  for (const [i, count] of [3, 1].entries()) {
    const contents = doc.getPage(i).node.lookup(PDFName.of('Contents'), PDFArray);
    expect(contents.size()).toBe(count);
    for (let k = 0; k < count; k++) expect(contents.lookup(k)).toBeInstanceOf(PDFStream);
  }
});

test('cross-references stand in order of their numbers, in whatever order they come', () => {
  quickenCrossReferences();
  fc.assert(
    fc.property(fc.uniqueArray(fc.integer({ min: 1, max: 5000 }), { maxLength: 60 }), (numbers) => {
      const entered = (order: readonly number[]): Uint8Array => {
        const stream = PDFCrossRefStream.create(PDFContext.create().obj({}), false);
        for (const n of order) stream.addUncompressedEntry(PDFRef.of(n), n * 10);
        return stream.getUnencodedContents();
      };
      expect(entered(numbers)).toEqual(entered([...numbers].sort((x, y) => x - y)));
    }),
  );
});

test('layers stay in a copy as the file has them: shown, or not', async () => {
  const { bytes } = await marked(await layeredPdf(), [{ page: 0, path: WAVE }]);
  const { catalog } = await PDFDocument.load(bytes);
  const properties = catalog.lookup(PDFName.of('OCProperties'), PDFDict);
  const names = (key: string): string[] =>
    properties
      .lookup(PDFName.of('D'), PDFDict)
      .lookup(PDFName.of(key), PDFArray)
      .asArray()
      .map((ref) => String(catalog.context.lookup(ref, PDFDict).get(PDFName.of('Name'))));
  expect([names('ON'), names('OFF')]).toEqual([['(Pools)'], ['(Answers)']]);
});

test.each(['image/png', 'image/jpeg'] as const)(
  'a picture that nobody can unpack (%s) is left out, and the copy is made nevertheless',
  async (type) => {
    const source = await plainPdf();
    const empty = emptyDocument(pageRefsFor((await inspectPdf(source)).pages));
    // Sound at its head, and damaged within.
    const png = Buffer.from(
      '89504e470d0a1a0a0000000d49484452000000080000000608020000000000000000000008494441540102030405060708000000000000000049454e4400000000',
      'hex',
    ).toString('base64');
    const picture = { ...smallPicture('shore'), type, data: png };
    const state = done(
      empty,
      putPicture(empty, {
        ...{ id: 'a', page: 'p0', picture, says: '', madeAt: 1 },
        place: [80, 0, 0, 60, 100, 200],
      }),
    );
    const { bytes, marksDrawn } = await makeFixedCopy(source, state);
    expect(marksDrawn).toBe(1);
    expect((await PDFDocument.load(bytes)).getPageCount()).toBe(empty.pages.length);
  },
);
