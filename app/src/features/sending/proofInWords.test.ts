import type { PageProof } from '@marginalis/core/proof';
import { faultsOf, proofInWords, shareInWords } from './proofInWords';

const page = (more: Partial<PageProof> = {}): PageProof => ({
  index: 0,
  alike: true,
  differs: 0,
  places: [],
  marks: 3,
  lost: [],
  textKept: true,
  unread: '',
  still: '',
  links: { source: 1, copy: 1 },
  annotations: 0,
  sized: true,
  ...more,
});
const proof = (pages: readonly PageProof[]) => ({
  alike: pages.every(({ alike }) => alike),
  pageCount: { wanted: 2, found: 2 },
  locked: null,
  pages,
});

test('a proof is told in words and numbers', () => {
  expect(proofInWords(proof([page(), page({ differs: 0.0003, marks: 1 })]))).toBe(
    'Proved: the copy shows what the screen shows. 2 changed pages compared, every mark found, at most 0.03 % of the ink differs.',
  );
  expect(proofInWords(proof([page({ alike: false, lost: ['a'], differs: 0.02 })]))).toBe(
    '1 page is not as on the screen. 1 changed page compared, 1 of 3 strokes and marks missing, at most 2.0 % of the ink differs.',
  );
  expect(proofInWords(proof([page({ differs: 0.00002 })]))).toMatch(
    /found, less than 0.01 % of the ink differs\.$/,
  );
  expect(proofInWords(proof([]))).toBe('Proved: no page was changed.');
  expect(proofInWords({ ...proof([]), alike: false, pageCount: { wanted: 2, found: 1 } })).toBe(
    'The copy has 1 page instead of 2.',
  );
  expect(proofInWords({ ...proof([]), locked: true })).toBe(
    'Proved: no page was changed. It opens with its password only.',
  );
  expect(proofInWords({ ...proof([]), alike: false, locked: false })).toBe(
    'The copy opens without its password.',
  );
});

test('what is wrong with a page is told one by one', () => {
  expect(faultsOf(page())).toEqual([]);
  const wrong = page({
    lost: ['a', 'b'],
    differs: 0.00002,
    textKept: false,
    unread: 'ab',
    annotations: 1,
    links: { source: 0, copy: 1 },
    sized: false,
  });
  expect(faultsOf(wrong)).toEqual([
    '2 marks are missing',
    'less than 0.01 % of the ink differs',
    'its print cannot be read as before',
    'letters cannot be read: ab',
    '1 annotation was left on it',
    'it has more links than before',
    'it has another size',
  ]);
  expect(shareInWords(0)).toBe('0 %');
});
