import { emptyDocument, pagesOfSource } from '@marginalis/core/document';
import { plainPage } from '@marginalis/core/geometry';
import { type Asked, canBeSmaller, dpiOf, howOf, pagesAsked, pagesInName, waysFor } from './asked';
import type { SystemWays } from './system';

const NAMES = ['i', 'ii', '1', '2', '3'];
const document = emptyDocument(
  pagesOfSource('a'.repeat(64), Array(5).fill(plainPage(9, 9)), (k) => `p${k}`),
);
const asked = (part: Partial<Asked>): Asked => ({
  what: 'whole',
  typed: '',
  as: 'fixed',
  notes: 'end',
  how: 'download',
  picture: 'png',
  perSheet: 1,
  room: false,
  authors: true,
  withoutCut: false,
  smaller: 0,
  dpi: 150,
  ...part,
});
const pages = (part: Partial<Asked>) => pagesAsked(asked(part), document, NAMES, 3);

test('what is to leave is the whole, the page in sight, pages by their names, or those with marks', () => {
  expect(pages({})).toEqual({ ok: true, pages: [0, 1, 2, 3, 4] });
  expect(pages({ what: 'here' })).toEqual({ ok: true, pages: [3] });
  expect(pages({ what: 'some', typed: 'ii-2' })).toEqual({ ok: true, pages: [1, 2, 3] });
  expect(pages({ what: 'some', typed: 'x' }).ok).toBe(false);
  expect(pages({ what: 'marked' })).toMatchObject({ ok: false });
});

test('pages are named in a file’s name where they are not all', () => {
  expect(pagesInName([0, 1, 2, 3, 4], NAMES)).toBe('');
  expect(pagesInName([3], NAMES)).toBe('page 2');
  expect(pagesInName([0, 1, 2, 4], NAMES)).toBe('pages i-1, 3');
});

test('a link leads to a PDF, and the clipboard takes one PNG picture', () => {
  Object.assign(globalThis, { ClipboardItem: class {} });
  Object.assign(navigator, { clipboard: { write: () => Promise.resolve() } });
  const none = { share: null, print: null };
  const ways = (part: Partial<Asked>, count: number, system: SystemWays = none) =>
    waysFor(asked(part), count, system);
  expect(ways({}, 3)).toEqual(['download', 'link', 'mail']);
  expect(ways({ as: 'pictures' }, 1)).toEqual(['download', 'clipboard', 'mail']);
  expect(ways({ as: 'pictures' }, 2)).toEqual(['download', 'mail']);
  expect(ways({ as: 'pictures', picture: 'jpeg' }, 1)).toEqual(['download', 'mail']);
  expect(ways({ as: 'table' }, 1)).toEqual(['download', 'mail']);
  // A way that was taken last and is none here is not taken.
  const how = (part: Partial<Asked>) => howOf(asked(part), ways(part, 1));
  expect(how({ as: 'pictures', how: 'link' })).toBe('download');
  expect(how({ as: 'pictures', how: 'clipboard' })).toBe('clipboard');
  // What the device has, or what stands in for it.
  const takes = { shownAt: null, hand: async () => ({ left: true, trouble: null }) };
  const all = { share: takes, print: takes };
  expect(ways({}, 3, all)).toEqual(['download', 'share', 'link', 'mail', 'print']);
  expect(ways({ as: 'pictures' }, 2, all)).toEqual(['download', 'share', 'mail']);
  expect(ways({ as: 'living' }, 2, { ...none, print: takes })).toEqual([
    'download',
    'link',
    'mail',
  ]);
});

test('a PDF that leaves as a file or under a link can be made smaller; paper and pictures are not', () => {
  expect(dpiOf(asked({ smaller: 150 }), 'link')).toBe(150);
  expect(dpiOf(asked({ as: 'living', smaller: 96 }), 'mail')).toBe(96);
  expect(dpiOf(asked({}), 'download')).toBeNull();
  expect(dpiOf(asked({ smaller: 150 }), 'print')).toBeNull();
  expect(canBeSmaller(asked({ as: 'pictures' }), 'download')).toBe(false);
});
