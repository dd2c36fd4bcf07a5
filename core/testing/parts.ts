import fc from 'fast-check';
import {
  type Attachment,
  type Bookmark,
  changeOf,
  type Change,
  cropPage,
  type DocState,
  type OwnLink,
  type Page,
  paperPage,
  type PartName,
  type Parts,
  pagesOfSource,
  type Tag,
  type Task,
  type Thread,
  turnPage,
} from '../src/document/index.ts';
import type { InkMark } from '../src/kinds/index.ts';
import { toBase64 } from '../src/marks/index.ts';
import { PATTERNS } from '../src/paper/index.ts';
import { box, inkMark, pageBox, vec } from './arbitraries.ts';

/** Random parts of a document, for property tests. */

const id = fc.integer({ min: 0, max: 30 }).map((n) => `id${n}`);
const time = fc.integer({ min: 0, max: 2_000_000_000_000 });
const colour = fc.constantFrom('#1f3361', '#c22f17', '#ffd91f');
const order = fc.integer({ min: -50, max: 50 });
const pageId = fc.constantFrom('p1', 'p2', 'p3');

const sourcePage = fc
  .tuple(pageBox, fc.integer({ min: 0, max: 900 }), pageId, order)
  .map(([seen, index, name, at]): Page => {
    const [page] = pagesOfSource('b'.repeat(64), [seen], () => name);
    return { ...page, order: at, shows: { source: 'b'.repeat(64), index } };
  });
const paper = fc
  .tuple(pageId, order, fc.constantFrom(...PATTERNS), fc.double({ min: 5, max: 60, noNaN: true }))
  .map(([name, at, pattern, pitch]): Page =>
    paperPage(name, at, { width: 400, height: 600 }, { pattern, pitch }),
  );
const page: fc.Arbitrary<Page> = fc
  .tuple(
    fc.oneof(sourcePage, paper),
    fc.constantFrom(0, 90, 180, 270),
    fc.option(box, { nil: null }),
  )
  .map(([made, turn, crop]) => cropPage(turnPage(made, turn as Page['turn']), crop));

const bookmark: fc.Arbitrary<Bookmark> = fc.record({
  id,
  title: fc.string(),
  page: pageId,
  at: fc.option(vec, { nil: null }),
  parent: fc.option(id, { nil: null }),
  order,
  madeAt: time,
});
const remark = fc.record(
  {
    id,
    author: fc.string({ maxLength: 20 }),
    text: fc.string(),
    ink: fc.array(
      inkMark.map((mark) => mark as InkMark),
      { minLength: 1, maxLength: 2 },
    ),
    madeAt: time,
    editedAt: fc.option(time, { nil: null }),
  },
  { requiredKeys: ['id', 'author', 'text', 'madeAt', 'editedAt'] },
);
const words = fc.string({ maxLength: 20 });
const day = fc
  .date({ min: new Date('2000-01-01'), max: new Date('2099-12-31'), noInvalidDate: true })
  .map((date) => date.toISOString().slice(0, 10));
const task: fc.Arbitrary<Task> = fc.record(
  {
    kind: words,
    title: words,
    who: words,
    until: fc.option(day, { nil: null }),
    begun: fc.boolean(),
    picture: id,
  },
  { requiredKeys: ['kind', 'title', 'who', 'until', 'begun'] },
);
const thread: fc.Arbitrary<Thread> = fc.record(
  {
    id,
    mark: id,
    remarks: fc.array(remark, { maxLength: 4 }),
    settled: fc.option(fc.record({ by: words, at: time }), { nil: null }),
    tags: fc.array(id, { maxLength: 3 }),
    task,
    was: words,
  },
  { requiredKeys: ['id', 'mark', 'remarks', 'settled', 'tags'] },
);
const tag: fc.Arbitrary<Tag> = fc.record({
  id,
  name: fc.string({ minLength: 1, maxLength: 20 }),
  colour,
  order,
});
const attachment: fc.Arbitrary<Attachment> = fc.record({
  id,
  name: fc.string({ maxLength: 20 }),
  type: fc.constant('image/jpeg' as const),
  data: fc.uint8Array({ minLength: 1, maxLength: 60 }).map(toBase64),
  width: fc.integer({ min: 1, max: 2000 }),
  height: fc.integer({ min: 1, max: 2000 }),
});
const leads = fc.oneof(
  fc.record({ page: pageId, at: fc.option(vec, { nil: null }) }),
  fc.record({ bookmark: id }),
  fc.record({ thread: id }),
  fc.webUrl().map((address) => ({ address })),
);
const lies = { id, page: pageId, area: box, framed: fc.boolean() };
const link: fc.Arbitrary<OwnLink> = fc.oneof(
  fc.record(
    { ...lies, to: leads, parts: fc.array(box, { minLength: 1, maxLength: 3 }), mark: id },
    { requiredKeys: ['id', 'page', 'area', 'framed', 'to'] },
  ),
  fc.record({ ...lies, to: fc.option(leads, { nil: null }), instead: box }),
);

export const PART_ARBITRARIES: { readonly [P in PartName]: fc.Arbitrary<Parts[P]> } = {
  mark: inkMark,
  page,
  bookmark,
  thread,
  tag,
  link,
  attachment,
};

/** A part put into a document, over whatever has its id. */
export interface Put {
  readonly part: PartName;
  readonly value: Parts[PartName];
}

export const put: fc.Arbitrary<Put> = fc.oneof(
  ...(Object.keys(PART_ARBITRARIES) as PartName[]).map((part) =>
    (PART_ARBITRARIES[part] as fc.Arbitrary<Parts[PartName]>).map((value) => ({ part, value })),
  ),
);

/** Every part of a document but its marks' places among them, as changes that would make it. */
export function partsOf(state: DocState): Put[] {
  const all = <P extends PartName>(part: P, values: Iterable<Parts[P]>): Put[] =>
    [...values].map((value) => ({ part, value }));
  return [
    ...all('page', state.pages),
    ...all(
      'mark',
      [...state.marks.values()].flatMap((marks) => [...marks.values()]),
    ),
    ...all('bookmark', state.bookmarks.values()),
    ...all('thread', state.threads.values()),
    ...all('tag', state.tags.values()),
    ...all('link', state.links.values()),
    ...all('attachment', state.attachments.values()),
  ];
}

/** The change that puts a part in, over the one there is. */
export function changeFor(state: DocState, { part, value }: Put): Change {
  const held = partsOf(state).find((p) => p.part === part && p.value.id === value.id);
  return changeOf(part, (held?.value ?? null) as never, value as never) as Change;
}

/** A document as plain data, in a fixed order, for comparing. */
export const plainState = (state: DocState): unknown => ({
  pages: state.pages,
  others: partsOf(state)
    .filter(({ part }) => part !== 'page')
    .sort((a, b) => (a.part + a.value.id < b.part + b.value.id ? -1 : 1)),
});
