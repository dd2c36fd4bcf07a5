import { readPagePicture, ServerError } from '@/remote';
import { ServedPictures } from './ServedPictures';

jest.mock('@/remote', () => ({
  ...jest.requireActual<object>('@/remote/server'),
  readPagePicture: jest.fn(),
}));

/** What was asked of the server, as it was asked, and how each is answered. */
let asked: { index: number; answer: (blob: Blob) => void; refuse: (e: Error) => void }[];
beforeEach(() => {
  asked = [];
  (readPagePicture as jest.Mock).mockImplementation(
    (_token: string, index: number) =>
      new Promise((answer, refuse) => asked.push({ index, answer, refuse })),
  );
});
const settle = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 0));
const indices = (): number[] => asked.map(({ index }) => index);
const page = (index: number) => ({ index, width: 800 as const });

test('two at a time, the most urgent next, and what nobody waits for any more is not asked for', async () => {
  const pictures = new ServedPictures('t');
  const far = () => 9;
  for (const k of [0, 1, 2]) void pictures.get(page(k), () => 5);
  void pictures.get(page(3), far);
  void pictures.get(page(4), () => 1);
  await settle();
  expect(indices()).toEqual([0, 1]);
  pictures.leave(page(3), far);
  asked[0].answer(new Blob(['0']));
  asked[1].answer(new Blob(['1']));
  await settle();
  expect(indices()).toEqual([0, 1, 4, 2]);
  asked[2].answer(new Blob(['4']));
  asked[3].answer(new Blob(['2']));
  await settle();
  expect(indices()).toEqual([0, 1, 4, 2]);
  void pictures.get(page(3), far);
  await settle();
  expect(indices()).toEqual([0, 1, 4, 2, 3]);
});

test('a picture is asked for once for all who wait for it, and is kept', async () => {
  const pictures = new ServedPictures('t');
  const both = [pictures.get(page(0), () => 1), pictures.get(page(0), () => 2)];
  await settle();
  const blob = new Blob(['0']);
  asked[0].answer(blob);
  expect(await Promise.all(both)).toEqual([blob, blob]);
  expect(await pictures.get(page(0), () => 1)).toBe(blob);
  expect(asked).toHaveLength(1);
});

test('a server that has much to do is asked again; what it refuses is said, and asked for anew by whoever comes back', async () => {
  jest.useFakeTimers();
  const pictures = new ServedPictures('t');
  const first = pictures.get(page(0), () => 1);
  await jest.advanceTimersByTimeAsync(0);
  asked[0].refuse(new ServerError('Many look at documents here just now.', 503));
  await jest.advanceTimersByTimeAsync(2000);
  expect(asked).toHaveLength(2);
  asked[1].refuse(new ServerError('This link was withdrawn.', 410));
  await expect(first).rejects.toThrow('This link was withdrawn.');
  jest.useRealTimers();
  void pictures.get(page(0), () => 1);
  await settle();
  expect(asked).toHaveLength(3);
});
