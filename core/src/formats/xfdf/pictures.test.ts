import { smallPicture } from '../../../testing/attachment.ts';
import { done, pageRefsFor } from '../../../testing/marks.ts';
import { fromAnnotations } from '../../annotations/index.ts';
import { emptyDocument } from '../../document/index.ts';
import { putPicture } from '../../editing/index.ts';
import { plainPage } from '../../geometry/index.ts';
import { fromBase64 } from '../../marks/index.ts';
import { pictureName } from '../../pictures/index.ts';
import { readXfdf } from './read.ts';
import { writeXfdf } from './write.ts';

const { data } = smallPicture('');
const shore = smallPicture(pictureName(fromBase64(data)));
const empty = emptyDocument(pageRefsFor([plainPage(400, 600)]));
const read = (text: string) =>
  fromAnnotations(readXfdf(text), { pageId: () => 'p0', now: 0, order: 1 });

test('a picture goes out with its bytes and comes back as it was, turned as it was', () => {
  const state = done(
    empty,
    putPicture(empty, {
      ...{ id: 'a', page: 'p0', picture: shore, says: 'A limpet', madeAt: 1e12 },
      place: [75, 28, -21, 56, 120, 90],
    }),
  );
  const { marks, attachments, threads } = read(writeXfdf(state, 'shore.pdf'));
  expect(marks).toMatchObject([
    { kind: 'picture', id: 'a', source: shore.id, place: [75, 28, -21, 56, 120, 90] },
  ]);
  expect(marks[0]).toMatchObject({ says: 'A limpet' });
  expect(attachments).toEqual([{ ...shore, name: 'Picture' }]);
  expect(threads).toEqual([]);
});

const stamp = (inner: string): string =>
  `<xfdf xmlns="http://ns.adobe.com/xfdf/"><annots><stamp page="0" rect="10,20,90,60" name="s" title="Ada Rowan"><contents>Seen by me</contents>${inner}</stamp></annots></xfdf>`;

test('a stamp of another program that brings its picture fills its rectangle, and what it says is a remark', () => {
  const one = read(stamp(`<imagedata>data:image/jpeg;base64,${data}</imagedata>`));
  expect(one.marks).toMatchObject([{ kind: 'picture', place: [80, 0, 0, 40, 10, 20], says: '' }]);
  expect(one.threads).toMatchObject([{ remarks: [{ text: 'Seen by me', author: 'Ada Rowan' }] }]);
});

test.each([
  ['no picture', ''],
  ['an address that leads elsewhere', '<imagedata>https://example.org/shore.jpg</imagedata>'],
  ['bytes that are no picture', '<imagedata>data:image/png;base64,YmFybmFjbGVz</imagedata>'],
  [
    'a picture that is cut off',
    `<imagedata>data:image/jpeg;base64,${data.slice(0, 300)}</imagedata>`,
  ],
  ['a picture of another kind', `<imagedata>data:image/svg+xml;base64,${data}</imagedata>`],
])('a stamp with %s is left', (_, inner) => {
  expect(read(stamp(inner)).marks).toEqual([]);
});
