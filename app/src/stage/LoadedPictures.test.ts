import type { Attachment } from '@marginalis/core/document';
import type { Drawing } from '@marginalis/core/drawing';
import { LoadedPictures, type Painted } from './LoadedPictures';

const attachment = (id: string, side = 10): Attachment => ({
  ...{ id, name: id, type: 'image/png', data: 'AAAA', width: side, height: side },
});

function stand(side = 10, broken: readonly string[] = []) {
  const unpacked: string[] = [];
  const closed: string[] = [];
  const pictures = new LoadedPictures(async ({ id }) => {
    unpacked.push(id);
    if (broken.includes(id)) throw new Error(`${id} is broken.`);
    return { width: side, height: side, close: () => closed.push(id) } as unknown as Painted;
  });
  const told = jest.fn();
  pictures.subscribe(told);
  return { pictures, unpacked, closed, told };
}
const drawing = (...sources: string[]): Drawing => [
  {
    is: 'group',
    items: sources.map((source) => ({
      ...{ is: 'picture' as const, source, place: [1, 0, 0, 1, 0, 0] as const, opacity: 1 },
    })),
  },
];

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

test('what is painted is unpacked once, and told of together with what comes soon after it', async () => {
  const { pictures, unpacked, told } = stand();
  expect(pictures.picture('a')).toBeNull();
  expect(unpacked).toEqual([]);
  const end = pictures.from(attachment);
  told.mockClear();
  for (const id of ['a', 'b', 'a']) expect(pictures.picture(id)).toBeNull();
  await pictures.settle(drawing('a', 'b'));
  expect(unpacked).toEqual(['a', 'b']);
  jest.runAllTimers();
  expect(told).toHaveBeenCalledTimes(1);
  expect(pictures.picture('a')).not.toBeNull();
  expect(pictures.address('a')).toBe('data:image/png;base64,AAAA');
  end();
  expect(pictures.address('a')).toBeNull();
});

test('so many pixels are kept; what was painted longest ago goes first, and comes back when it is asked for', async () => {
  const { pictures, unpacked, closed } = stand(5000);
  pictures.from(attachment);
  for (const id of ['a', 'b']) await pictures.settle(drawing(id));
  pictures.picture('a');
  await pictures.settle(drawing('c'));
  expect(closed).toEqual(['b']);
  await pictures.settle(drawing('b'));
  expect(unpacked).toEqual(['a', 'b', 'c', 'b']);
});

test('more than there is room for stays while all of it is in sight', async () => {
  const { pictures, unpacked, closed } = stand(5000);
  pictures.from(attachment);
  for (const id of ['a', 'b', 'c', 'd']) pictures.picture(id);
  await pictures.settle(drawing('a', 'b', 'c', 'd'));
  expect(closed).toEqual([]);
  for (const id of ['a', 'b', 'c', 'd']) expect(pictures.picture(id)).not.toBeNull();
  expect(unpacked).toHaveLength(4);
});

test('one that is broken is tried once, and does not hold up the others', async () => {
  const warn = jest.spyOn(console, 'warn').mockImplementation(() => undefined);
  const { pictures, unpacked } = stand(10, ['a']);
  pictures.from(attachment);
  pictures.picture('a');
  await pictures.settle(drawing('a', 'b'));
  await pictures.settle(drawing('a'));
  expect(pictures.picture('a')).toBeNull();
  expect(pictures.picture('b')).not.toBeNull();
  expect(unpacked).toEqual(['a', 'b']);
  expect(warn).toHaveBeenCalledTimes(1);
  warn.mockRestore();
});
