import { PDFBool, PDFDict, PDFDocument, PDFName, type PDFPage, PDFString } from '@cantoo/pdf-lib';
import {
  action,
  addAnnotation,
  everythingIn,
  filledForm,
  pageContent,
  pdfWith,
} from '../../../testing/pdfs.ts';
import { emptyDocument } from '../../document/index.ts';
import { makeFixedCopy } from '../fixedCopy.ts';
import { appearanceOf } from './appearance.ts';

/** The copy of a page with the annotations given, opened again. */
async function copied(make: Parameters<typeof pdfWith>[0]) {
  const copy = await makeFixedCopy(await pdfWith(make), emptyDocument([]));
  const doc = await PDFDocument.load(copy.bytes);
  const page = doc.getPage(0);
  const forms = page.node.Resources()?.lookup(PDFName.of('XObject'));
  const annots = page.node.Annots()?.size() ?? 0;
  const content = new TextDecoder('latin1').decode(pageContent(page));
  return { copy, doc, page, forms, annots, content };
}
const RECT = [100, 100, 160, 130];

test('an appearance is put in its place by box and matrix (ISO 32000-1 §12.5.5)', async () => {
  const doc = await PDFDocument.create();
  const page = doc.addPage([300, 400]);
  // A form of 10 × 20 turned by a quarter: its box becomes 20 × 10 to the left of the origin.
  const N = filledForm(page, '1 0 0', [0, 0, 10, 20], [0, 1, -1, 0, 0, 0]);
  const dict = doc.context.obj({ Rect: RECT, AP: { N } } as never) as unknown as PDFDict;
  const placed = appearanceOf(dict, doc.context);
  const numbers = placed?.place.map((v) => Math.round(v * 1e6) / 1e6);
  // 60 × 30 from 20 × 10: three times, and moved so that −20…0 lands on 100…160.
  expect(numbers).toEqual([3, 0, 0, 3, 160, 100]);
});

test('a drawn annotation becomes content and leaves the list; a link stays', async () => {
  const { copy, annots, content } = await copied((page, doc) => {
    addAnnotation(page, {
      Subtype: 'Stamp',
      Rect: RECT,
      AP: { N: filledForm(page, '0 1 0', [0, 0, 60, 30]) },
    });
    addAnnotation(page, { Subtype: 'Link', Rect: RECT, Dest: [page.ref, 'Fit'] });
    addAnnotation(page, {
      Subtype: 'Link',
      Rect: RECT,
      A: action('URI', { URI: 'https://saltmarsh.example/' }, doc),
    });
  });
  expect(copy.annotationsDrawn).toBe(1);
  expect(annots).toBe(2);
  expect(content).toMatch(/\/Artifact BMC \/Marks\d* Do EMC/);
});

test('hidden, unseen and pop-up annotations are not drawn, and sounds are told', async () => {
  const { copy, annots } = await copied((page) => {
    const AP = { N: filledForm(page, '0 0 1', [0, 0, 60, 30]) };
    addAnnotation(page, { Subtype: 'Stamp', Rect: RECT, F: 2, AP });
    addAnnotation(page, { Subtype: 'Stamp', Rect: RECT, F: 32, AP });
    addAnnotation(page, { Subtype: 'Popup', Rect: RECT });
    addAnnotation(page, { Subtype: 'Sound', Rect: RECT });
  });
  expect(copy.annotationsDrawn).toBe(0);
  expect(copy.annotationsDropped).toEqual(['Sound']);
  expect(annots).toBe(0);
});

test('a state appearance is chosen by AS', async () => {
  const { copy } = await copied((page) => {
    const N = {
      On: filledForm(page, '0 0 0', [0, 0, 9, 9]),
      Off: filledForm(page, '1 1 1', [0, 0, 9, 9]),
    };
    addAnnotation(page, { Subtype: 'Widget', FT: 'Btn', Rect: RECT, AS: 'On', AP: { N } });
    addAnnotation(page, { Subtype: 'Widget', FT: 'Btn', Rect: RECT, AS: 'Neither', AP: { N } });
  });
  expect(copy.annotationsDrawn).toBe(1);
});

test.each([
  ['Highlight', { QuadPoints: [100, 130, 160, 130, 100, 100, 160, 100], C: [1, 1, 0] }],
  ['Underline', { QuadPoints: [100, 130, 160, 130, 100, 100, 160, 100], C: [1, 0, 0] }],
  ['StrikeOut', { QuadPoints: [100, 130, 160, 130, 100, 100, 160, 100], C: [0] }],
  ['Ink', { InkList: [[100, 100, 130, 120, 160, 105]], C: [0, 0, 1] }],
  ['Line', { L: [100, 100, 160, 130], C: [0, 0, 0, 1] }],
  ['Square', { C: [1, 0, 0], IC: [0.9, 0.9, 1] }],
  ['Circle', { C: [1, 0, 0], BS: { W: 3 } }],
  ['Polygon', { Vertices: [100, 100, 160, 100, 130, 130], C: [0, 0.5, 0] }],
  ['PolyLine', { Vertices: [100, 100, 160, 100, 130, 130], C: [0, 0.5, 0] }],
])('%s without an appearance is drawn from its own entries', async (Subtype, entries) => {
  const { copy } = await copied((page) => addAnnotation(page, { Subtype, Rect: RECT, ...entries }));
  expect(copy.annotationsDrawn).toBe(1);
  expect(copy.annotationsDropped).toEqual([]);
});

test('damaged annotations are stepped over', async () => {
  const { copy } = await copied((page) => {
    addAnnotation(page, { Subtype: 'Highlight', Rect: RECT, QuadPoints: ['x'], C: [1, 1, 0] });
    addAnnotation(page, { Subtype: 'Ink', InkList: 7, C: [1, 0, 0] });
    addAnnotation(page, { Subtype: 'Square', C: [1, 0, 0] });
    addAnnotation(page, {});
  });
  expect(copy.pages).toBe(1);
});

test('optional content that is off by default is not drawn', async () => {
  const { copy } = await copied((page, doc) => {
    const { context } = doc;
    const group = context.register(context.obj({ Type: 'OCG' }));
    doc.catalog.set(
      PDFName.of('OCProperties'),
      context.obj({ OCGs: [group], D: { OFF: [group] } }),
    );
    const AP = { N: filledForm(page, '0 0 1', [0, 0, 60, 30]) };
    addAnnotation(page, { Subtype: 'Stamp', Rect: RECT, OC: group, AP });
    addAnnotation(page, { Subtype: 'Stamp', Rect: RECT, AP });
  });
  expect(copy.annotationsDrawn).toBe(1);
});

test('nothing that starts by itself is left: scripts, programs, other files', async () => {
  const { copy, doc, page, annots } = await copied((p, d) => {
    const script = action('JavaScript', { JS: 'app.alert(1)' }, d);
    for (const A of [
      script,
      action('Launch', { F: 'run.exe' }, d),
      action('URI', { URI: 'javascript:alert(1)' }, d),
      action('URI', { URI: 'file:///etc/passwd' }, d),
      action('SubmitForm', { F: 'https://saltmarsh.example/' }, d),
    ])
      addAnnotation(p, { Subtype: 'Link', Rect: RECT, A });
    const good = action('URI', { URI: 'mailto:station@saltmarsh.example' }, d);
    good.set(PDFName.of('Next'), script);
    addAnnotation(p, { Subtype: 'Link', Rect: RECT, A: good, AA: { E: script } });
    d.catalog.set(PDFName.of('OpenAction'), script);
    d.catalog.set(PDFName.of('AA'), d.context.obj({ WC: script }));
    p.node.set(PDFName.of('AA'), d.context.obj({ O: script }));
    const item = d.context.register(d.context.obj({ A: script }));
    d.catalog.set(PDFName.of('Outlines'), d.context.obj({ First: item, Last: item }));
    d.catalog.set(PDFName.of('Names'), d.context.obj({ JavaScript: { Names: [] } }));
    d.catalog.set(
      PDFName.of('AcroForm'),
      d.context.obj({ Fields: [], XFA: 'x', NeedAppearances: PDFBool.True }),
    );
  });
  expect(copy.linksDropped).toEqual([
    'a script',
    'a program',
    'javascript:alert(1)',
    'file:///etc/passwd',
    'a form that is sent',
  ]);
  expect(annots).toBe(1);
  const reachable = [doc.catalog, page.node, page.node.Annots()?.lookup(0)].map(String).join(' ');
  expect(reachable).not.toMatch(/JavaScript|\/AA|\/Next|AcroForm|OpenAction/);
  const outline = doc.catalog
    .lookup(PDFName.of('Outlines'), PDFDict)
    .lookup(PDFName.of('First'), PDFDict);
  expect(outline.has(PDFName.of('A'))).toBe(false);
});

test('web and mail addresses that lack their scheme get it; others go and are named', async () => {
  const addresses = [
    'www.saltmarsh.example/tides',
    ' station@saltmarsh.example ',
    'HTTPS://saltmarsh.example',
    'ftp://saltmarsh.example/log',
    'tides/today',
    `ftp://${'x'.repeat(80)}`,
    '',
  ];
  const links = (page: PDFPage, doc: PDFDocument) => {
    for (const URI of addresses)
      addAnnotation(page, { Subtype: 'Link', Rect: RECT, A: action('URI', { URI }, doc) });
    addAnnotation(page, { Subtype: 'Link', Rect: RECT });
  };
  const kept = (page: PDFPage): string[] =>
    Array.from({ length: page.node.Annots()?.size() ?? 0 }, (_, i) =>
      String(
        page.node
          .Annots()
          ?.lookup(i, PDFDict)
          .lookup(PDFName.of('A'), PDFDict)
          .get(PDFName.of('URI')),
      ),
    );
  const alone = await copied(links);
  expect(kept(alone.page)).toEqual([
    '(https://www.saltmarsh.example/tides)',
    '(mailto:station@saltmarsh.example)',
    '(HTTPS://saltmarsh.example)',
  ]);
  expect(alone.copy.linksDropped).toEqual([
    'ftp://saltmarsh.example/log',
    'tides/today',
    `ftp://${'x'.repeat(54)}…`,
    'an empty address',
  ]);
  const based = await copied((page, doc) => {
    links(page, doc);
    doc.catalog.set(
      PDFName.of('URI'),
      doc.context.obj({ Base: PDFString.of('https://saltmarsh.example/') }),
    );
  });
  expect(kept(based.page)).toContain('(tides/today)');
});

test('an annotation that does not say what it is, is told as such', async () => {
  const { copy } = await copied((page) => addAnnotation(page, { Rect: RECT }));
  expect(copy.annotationsDropped).toEqual(['something without a kind']);
});

test.each([
  'OpenArrow',
  'ClosedArrow',
  'ROpenArrow',
  'RClosedArrow',
  'Butt',
  'Circle',
  'Diamond',
  'Square',
  'Slash',
])('a line without an appearance keeps its %s', async (name) => {
  const drawn = async (LE: unknown): Promise<string> => {
    const { doc } = await copied((page) =>
      addAnnotation(page, {
        Subtype: 'Line',
        Rect: RECT,
        L: [100, 100, 160, 130],
        C: [0],
        IC: [1, 0, 0],
        LE,
      }),
    );
    return everythingIn(await doc.save());
  };
  const [plain, start, end] = await Promise.all(
    [
      ['None', 'None'],
      [name, 'None'],
      ['None', name],
    ].map(drawn),
  );
  const strokes = (text: string) => text.match(/ S$/gm)?.length ?? 0;
  expect([strokes(plain), strokes(start), strokes(end)]).toEqual([1, 2, 2]);
  const closed = /Arrow$/.test(name) ? /Closed/.test(name) : !/Butt|Slash/.test(name);
  expect(/1 0 0 rg/.test(start)).toBe(closed);
});

test('a transparency group that changes nothing is opened, so that a highlight in it multiplies onto the page', async () => {
  const groupsLeft = async (group: object, outer = '/Multiply gs /Inner Do') => {
    const { doc } = await copied((page, d) => {
      const { context } = d;
      const form = (content: string, more: object) =>
        context.register(
          context.stream(content, {
            Type: 'XObject',
            Subtype: 'Form',
            BBox: [0, 0, 60, 30],
            ...more,
          }),
        );
      const inner = form('1 1 0 rg 0 0 60 30 re f', { Group: { S: 'Transparency', ...group } });
      const N = form(outer, {
        Group: { S: 'Transparency', ...group },
        Resources: { XObject: { Inner: inner }, ExtGState: { Multiply: { BM: 'Multiply' } } },
      });
      addAnnotation(page, { Subtype: 'Highlight', Rect: RECT, AP: { N } });
    });
    return (await everythingIn(await doc.save())).match(/\/Group /g)?.length ?? 0;
  };
  // The inner form is drawn multiplied, as one: its group stays.
  expect(await groupsLeft({})).toBe(1);
  expect(await groupsLeft({ I: false, K: false })).toBe(1);
  expect(await groupsLeft({}, 'q /Inner Do Q')).toBe(0);
  expect(await groupsLeft({ I: true })).toBe(2);
  expect(await groupsLeft({ K: true })).toBe(2);
});
