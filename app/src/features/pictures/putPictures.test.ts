import type { Attachment, Transaction } from '@marginalis/core/document';
import { plainPage } from '@marginalis/core/geometry';
import type { Reader } from '@/shell';
import { putPictures } from './putPictures';
import { readPicture } from './readPicture';

jest.mock('./readPicture');

const picture = (bytes: number): Attachment => ({
  ...{ id: `picture of ${bytes}`, name: 'Shore.png', type: 'image/png', width: 9, height: 9 },
  data: 'A'.repeat((4 * bytes) / 3),
});

function reader() {
  const done: Transaction[] = [];
  const told: { trouble: string; remedy: { run(): void } | null }[] = [];
  const session = {
    store: { getState: () => ({ document: { marks: new Map(), attachments: new Map() } }) },
    dispatch: (transaction: Transaction) => done.push(transaction) > 0,
    notices: {
      tell: (trouble: string, remedy: { run(): void } | null = null) =>
        void told.push({ trouble, remedy }),
    },
    inHand: { pick: () => undefined },
  };
  const stage = { pages: [{ id: 'p0', ...plainPage(600, 800) }], keepInSight: () => undefined };
  return { reader: { session, stage } as unknown as Reader, done, told };
}

const SPOT = { index: 0, at: null };

test('a picture that is large even at its place is put when that is wanted, others meanwhile', async () => {
  const { reader: on, done, told } = reader();
  const large = { picture: picture(24_000_000), place: [1, 0, 0, 1, 0, 0] as const, says: '' };
  const small = { ...large, picture: picture(30_000) };
  const made = jest.mocked(readPicture);
  made.mockResolvedValueOnce(large).mockResolvedValueOnce(small).mockResolvedValueOnce(large);
  await putPictures(on, [new File([], 'Chart.png'), new File([], 'Shore.png')], SPOT);
  expect(done).toHaveLength(1);
  expect(told).toHaveLength(1);
  expect(told[0].trouble).toContain('“Chart.png” takes 24 MB');
  told[0].remedy?.run();
  await new Promise((resolve) => setTimeout(resolve));
  expect(done).toHaveLength(2);
  expect(told).toHaveLength(1);
});
