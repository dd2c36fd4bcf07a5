import { box, plainPage } from '@marginalis/core/geometry';
import { installFakeCanvases } from '../testing/fakeCanvas';
import { KeptPapers } from './KeptPapers';
import { PagePicture } from './pagePicture';
import { PaperPainter } from './PaperPainter';
import type { PaperSource } from './paperSource';

jest.mock('./stillPicture', () => ({ stillPicture: async (canvas: HTMLCanvasElement) => canvas }));

interface Asked {
  readonly key: string;
  readonly scale: number;
  finish(): void;
  dropped: boolean;
}

let asked: Asked[];
let holder: HTMLElement;
let drawn: number;
let painter: PaperPainter;
let papers: KeptPapers;
let forgotten = 0;
beforeEach(() => {
  installFakeCanvases();
  asked = [];
  drawn = 0;
  holder = document.createElement('div');
  const source: PaperSource = {
    request({ scale }, tile) {
      let finish: (canvas: HTMLCanvasElement | null) => void = () => undefined;
      const picture = new Promise<HTMLCanvasElement | null>((resolve) => (finish = resolve));
      const job: Asked = {
        key: tile.key,
        scale,
        dropped: false,
        finish: () => finish(document.createElement('canvas')),
      };
      asked.push(job);
      const drop = (): void => {
        job.dropped = true;
        finish(null);
      };
      return { picture, drop };
    },
    forget: () => forgotten++,
  };
  papers = new KeptPapers();
  painter = new PaperPainter(holder, source, papers, () => drawn++);
});

const PAGE = plainPage(600, 800);
const WHOLE = box(0, 0, 600, 800);
const settle = async (): Promise<void> => {
  for (let i = 0; i < 5; i++) await Promise.resolve();
};

test('a page that fits in one piece is asked for once, and said to be drawn when it is there', async () => {
  const picture = new PagePicture(PAGE, 1);
  painter.show(picture, WHOLE, 0);
  painter.show(picture, WHOLE, 10);
  expect(asked.map(({ key }) => key)).toEqual(['whole']);
  expect([holder.childElementCount, drawn]).toEqual([0, 0]);
  asked[0].finish();
  await settle();
  expect([holder.childElementCount, drawn]).toEqual([1, 1]);
});

test('the old paper stays, stretched, until that of the new scale is there', async () => {
  painter.show(new PagePicture(PAGE, 1), WHOLE, 0);
  asked[0].finish();
  await settle();
  const [old] = holder.children;
  painter.show(new PagePicture(PAGE, 2), WHOLE, 0);
  expect([...holder.children]).toEqual([old]);
  asked[1].finish();
  await settle();
  expect(holder.childElementCount).toBe(1);
  expect(holder.contains(old)).toBe(false);
});

test('what is not wanted any more is dropped, and its picture not shown should it come all the same', async () => {
  painter.show(new PagePicture(PAGE, 1), WHOLE, 0);
  painter.show(new PagePicture(PAGE, 2), WHOLE, 0);
  expect(asked[0].dropped).toBe(true);
  asked[0].finish();
  await settle();
  expect([holder.childElementCount, drawn]).toEqual([0, 0]);
  painter.release();
  expect(asked[1].dropped).toBe(true);
  expect(forgotten).toBe(1);
});

test('the paper of a page that was out of sight for a moment is there again at once, unless the scale is another', async () => {
  painter.show(new PagePicture(PAGE, 1), WHOLE, 0);
  asked[0].finish();
  await settle();
  const [paper] = holder.children;
  painter.release();
  expect(holder.childElementCount).toBe(0);
  painter.show(new PagePicture(PAGE, 1), WHOLE, 0);
  expect([...holder.children]).toEqual([paper]);
  expect([asked.length, drawn]).toEqual([1, 2]);
  painter.release();
  painter.show(new PagePicture(PAGE, 2), WHOLE, 0);
  expect(asked).toHaveLength(2);
});

test('of papers out of sight only so many are kept, the latest', () => {
  const tile = (key: string) => ({ key, x: 0, y: 0, width: 2000, height: 2000 });
  const canvasOf = ({ width, height }: { width: number; height: number }) =>
    Object.assign(document.createElement('canvas'), { width, height });
  for (const key of ['a', 'b', 'c']) papers.put(PAGE, 1, tile(key), canvasOf(tile(key)));
  expect(papers.take(PAGE, 1, tile('a'))).toBeNull();
  expect(papers.take(PAGE, 1, tile('c'))).not.toBeNull();
  expect(papers.take(PAGE, 1, tile('c'))).toBeNull();
  expect(papers.take(PAGE, 1, tile('b'))).not.toBeNull();
});
