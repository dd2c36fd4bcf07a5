import { readFileSync } from 'node:fs';
import {
  type DocState,
  emptyDocument,
  type OwnLink,
  type Page,
  pagesOfSource,
} from '@marginalis/core/document';
import { addLinks, makeContents, removeLinks } from '@marginalis/core/editing';
import { box } from '@marginalis/core/geometry';
import { inspectPdf, makeFixedCopy, makeLivingCopy, openLivingCopy } from '@marginalis/core/pdf';
import { textFiles } from '../cli/faces';
import { prove } from '../cli/proving';
import { done } from '../core/testing/marks';
import { linksByPdfjs, type ReadLink } from './support/waysByPdfjs';
import { deflate } from './support/markedCopy';
import { complaintOfQpdf, newComplaints } from './support/programs';
import { realPdf, realPdfs } from './support/realPdfs';

/** Links of one's own as pdf.js reads them: ISO 32000-1 §12.5.6.5 (link annotations), §12.3.2 (destinations), §12.6.4.7 (URI actions). */

const SHA = 'a'.repeat(64);
const HANDBOOK = new Uint8Array(readFileSync('demo/documents/handbook.pdf'));
const ALL = [
  { name: 'the handbook', bytes: () => HANDBOOK },
  ...realPdfs()
    .filter(({ name }) => /introduction|policy/.test(name))
    .map((one) => ({ name: one.name, bytes: () => realPdf(one) })),
];

async function pagesOf(bytes: Uint8Array): Promise<Page[]> {
  const { pages } = await inspectPdf(bytes);
  return pagesOfSource(SHA, pages, (i) => `a${i}`);
}
/** Those that lead somewhere: links that would open another file are disarmed in a fixed copy. */
const leading = (links: readonly ReadLink[]): readonly ReadLink[] =>
  links.filter(({ address, place }) => place || /^(https?|mailto):/.test(address ?? ''));
const newIds = () => {
  let n = 0;
  return () => `new ${(n += 1)}`;
};

/** A file with links of one's own on its first page, and the first link that it came with removed. */
async function linked(bytes: Uint8Array): Promise<{
  readonly document: DocState;
  readonly came: readonly (readonly ReadLink[])[];
  readonly removedOn: number;
}> {
  const pages = await pagesOf(bytes);
  const last = pages.length - 1;
  const own = (id: string, k: number, more: Partial<OwnLink>): OwnLink => ({
    ...{ id, page: 'a0', area: box(60, 60 + 20 * k, 160, 74 + 20 * k), framed: k === 0 },
    to: null,
    ...more,
  });
  const came = linksByPdfjs(bytes);
  const removedOn = came.findIndex((links) => links.length > 0);
  const [x0, y0, x1, y1] = came[removedOn][0].rect;
  const ids = newIds();
  const with3 = done(
    emptyDocument(pages),
    addLinks([
      own('page', 0, { to: { page: `a${last}`, at: null } }),
      own('place', 1, { to: { page: 'a1', at: { x: 72, y: 500 } } }),
      own('address', 2, { to: { address: 'https://tides.example/h%20a?x=1&y=(ü)' } }),
    ]),
  );
  const document = done(
    with3,
    removeLinks([{ page: `a${removedOn}`, area: box(x0, y0, x1, y1) }], ids),
  );
  return { document, came, removedOn };
}

test.each(ALL)(
  '$name: links are where they are wanted, and lead there; one that was removed is gone',
  async ({ bytes: of }) => {
    const bytes = of();
    const { document, came, removedOn } = await linked(bytes);
    const source = { sha: SHA, bytes };
    const fixed = await makeFixedCopy([source], document, { deflate, ...textFiles });
    const living = await makeLivingCopy([source], document, { deflate, ...textFiles, madeAt: 1 });
    for (const copy of [fixed.bytes, living.bytes]) {
      expect(complaintOfQpdf(copy)).toBeNull();
      expect(newComplaints(bytes, copy)).toEqual([]);
      const links = linksByPdfjs(copy);
      const mine = links[0].filter(({ rect }) => rect[0] === 60 && rect[2] === 160);
      expect(mine.map(({ address, place }) => address ?? place?.page)).toEqual([
        document.pages.length - 1,
        1,
        'https://tides.example/h%20a?x=1&y=(%C3%BC)',
      ]);
      expect(mine[1].place).toEqual({ page: 1, x: 72, y: 500 });
      const rest = links.map((on, k) => (k === 0 ? on.filter((one) => !mine.includes(one)) : on));
      const wanted = came.map((on, k) => (k === removedOn ? on.slice(1) : on));
      expect(rest.map(leading)).toEqual(wanted.map(leading));
    }
    const { proof } = await prove({ source: bytes, document }, fixed.bytes);
    expect(proof.alike).toBe(true);
    const opened = await openLivingCopy(living.bytes, 2);
    expect(linksByPdfjs(opened?.source ?? new Uint8Array())).toEqual(came);
  },
);

test('a contents page leads where its lines say', async () => {
  const pages = await pagesOf(HANDBOOK);
  const entries = [4, 9, 20, 33].map((k) => ({
    ...{ title: `Part on page ${k}`, depth: 0, page: `a${k}`, at: { x: 72, y: 700 } },
  }));
  const state = emptyDocument(pages);
  const document = done(
    state,
    makeContents(state, {
      ...{ heading: 'Contents', entries, newId: newIds(), madeAt: 1 },
      namesOf: (all) => all.map((_, k) => String(k + 1)),
    }),
  );
  const copy = await makeFixedCopy([{ sha: SHA, bytes: HANDBOOK }], document, {
    ...{ deflate, ...textFiles },
  });
  expect(complaintOfQpdf(copy.bytes)).toBeNull();
  expect(linksByPdfjs(copy.bytes)[0].map(({ place }) => place)).toEqual(
    [4, 9, 20, 33].map((k) => ({ page: k + 1, x: 72, y: 700 })),
  );
  const { proof } = await prove({ source: HANDBOOK, document }, copy.bytes);
  expect(proof.alike).toBe(true);
});
