import { PDFDocument } from '@cantoo/pdf-lib';
import { emptyDocument } from '@marginalis/core/document';
import { plainPage } from '@marginalis/core/geometry';
import { usualRuling } from '@marginalis/core/paper';
import { wavePath } from '../../../core/testing/hand';
import { pageRefsFor, written } from '../../../core/testing/marks';
import type { JobName, WorkReply } from './contract';
import { serve } from './host';

async function replies(job: JobName, ask: unknown): Promise<WorkReply[]> {
  const out: WorkReply[] = [];
  await serve({ id: 4, job, ask: ask as never }, (message) => out.push(message));
  return out;
}
async function pdf(pages: number): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  for (let i = 0; i < pages; i++) doc.addPage([300, 400]);
  return doc.save();
}

// Its program is fetched by a browser.
jest.mock('./startPdfium', () => ({ startPdfium: () => Promise.reject(new Error('not here')) }));

const copying = (bytes: Uint8Array) => ({
  sources: [{ sha: '', bytes }],
  document: emptyDocument([]),
  layers: new Map(),
  faces: {},
  own: [],
  notes: [],
  dpi: null,
  notesAt: 'end' as const,
});

test('inspecting answers with what the document is', async () => {
  const [done] = await replies('inspect', { bytes: await pdf(2) });
  expect(done).toMatchObject({ id: 4, type: 'done', ok: true, answer: { signed: false } });
});

test('a refusal travels as its reason and its sentence', async () => {
  const [done] = await replies('inspect', { bytes: new Uint8Array() });
  expect(done).toMatchObject({ ok: false, failure: { kind: 'refused', reason: 'empty' } });
});

test('a fixed copy tells its progress page by page, then itself', async () => {
  const out = await replies('fixedCopy', copying(await pdf(3)));
  expect(out.map((m) => m.type)).toEqual(['progress', 'progress', 'progress', 'done']);
  expect(out[3]).toMatchObject({ ok: true, answer: { pages: 3 } });
});

test('anything else that goes wrong is a failure with words, never a throw', async () => {
  const [done] = await replies('fixedCopy', { ...copying(await pdf(1)), document: null });
  expect(done).toMatchObject({
    ok: false,
    failure: { kind: 'failed', message: expect.any(String) },
  });
});

test('a copy that needs a face which cannot be fetched is a failure that says so', async () => {
  const [page] = pageRefsFor([plainPage(300, 400)]);
  const paper = { ...page, shows: { paper: usualRuling('blank') } };
  const faces = [{ name: 'F0', face: 'hand', glyphs: new Map([[5, 'a']]) }];
  const form = { content: new Uint8Array([32]), deflated: false, states: [], forms: [], faces };
  const layer = {
    form: { ...form, pictures: [], words: '', isolated: false },
    ...{ count: 1, covered: [], takenOut: [], redacted: [], bars: null },
  };
  const asked = jest.fn().mockResolvedValue({ ok: false, status: 503 });
  const real = globalThis.fetch;
  globalThis.fetch = asked;
  try {
    const out = await replies('fixedCopy', {
      sources: [],
      document: emptyDocument([paper]),
      layers: new Map([[page.id, layer]]),
      faces: { hand: 'https://desk.example/hand.ttf' },
      own: [],
      notes: [],
      dpi: null,
      notesAt: 'end',
    });
    expect(asked.mock.calls).toEqual([['https://desk.example/hand.ttf']]);
    expect(out.at(-1)).toMatchObject({
      ok: false,
      failure: { message: expect.stringMatching(/font .* could not be fetched/) },
    });
  } finally {
    globalThis.fetch = real;
  }
});

test('ink goes out as InkML and comes in again; a file that is none is told', async () => {
  const path = wavePath({ x: 20, y: 300 }, 200, 8, 2);
  const document = written(pageRefsFor([plainPage(300, 400)]), [{ page: 0, path }]);
  const [out] = await replies('writeInk', { document, title: 'Rock pools' });
  expect(out).toMatchObject({ ok: true, answer: expect.stringContaining('<trace ') });
  const { pages } = document;
  const text = (out as { answer: string }).answer;
  const back = await replies('readInk', { text, pages, otherwise: 0 });
  expect(back.map((m) => m.type)).toEqual(['progress', 'done']);
  expect(back[1]).toMatchObject({ ok: true, answer: [{ page: pages[0].id, tool: 'pen' }] });
  const [told] = await replies('readInk', { text: 'whelk', pages, otherwise: 0 });
  expect(told).toMatchObject({ ok: false, failure: { message: expect.stringMatching(/XML/) } });
});
