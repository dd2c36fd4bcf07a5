import { smallPicture } from '../../testing/attachment.ts';
import { done, markOf, pageRefsFor } from '../../testing/marks.ts';
import {
  type DocState,
  emptyDocument,
  findMark,
  invertTransaction,
  marksOn,
  type Transaction,
} from '../document/index.ts';
import { box, type Matrix, moveBy, plainPage } from '../geometry/index.ts';
import { readSvg } from '../graphics/readSvg.ts';
import {
  asGraphic,
  asPicture,
  fromMarkRecord,
  type GraphicMark,
  kindFor,
  type PictureMark,
  toMarkRecord,
} from '../kinds/index.ts';
import { partOf, withoutNotes } from '../leaving/index.ts';
import { carryMarks } from './carry.ts';
import { copyMarks, duplicateMarks, pasteMarks, readClip, writeClip } from './clip.ts';
import { removeMarks } from './erase.ts';
import { keepAttachments } from './keepAttachments.ts';
import {
  cropGraphic,
  cropPicture,
  describePicture,
  putGraphic,
  putPicture,
  swapPicture,
} from './pictures.ts';
import { startRubbing } from './rubbing.ts';

const PLACE: Matrix = [80, 0, 0, 60, 100, 200];
const empty = emptyDocument(pageRefsFor([plainPage(400, 800), plainPage(400, 800)]));
const put = (state: DocState, id: string, page = 'p0', picture = 'shore'): DocState =>
  done(
    state,
    putPicture(state, {
      ...{ id, page, place: PLACE, says: 'Barnacles', madeAt: 1e12 },
      picture: smallPicture(picture),
    }),
  );
const whole = (state: DocState, asked: Transaction | null): Transaction => {
  if (!asked) throw new Error('Nothing was to be done.');
  return keepAttachments(state, asked);
};
const picture = (state: DocState, id: string): PictureMark => {
  const mark = asPicture(findMark(state, id));
  if (!mark) throw new Error('There is no such picture.');
  return mark;
};
const names = ({ attachments }: DocState): string[] => [...attachments.keys()];

test('a picture is kept once, however often it is put on pages, and as long as one of them is there', () => {
  const twice = put(put(empty, 'a'), 'b', 'p1');
  expect(names(twice)).toEqual(['shore']);
  const copied = done(
    twice,
    duplicateMarks(twice, ['a'], { x: 5, y: 5 }, () => 'c'),
  );
  const fewer = done(copied, whole(copied, removeMarks(copied, ['a', 'b'])));
  expect(names(fewer)).toEqual(['shore']);
  const goes = whole(fewer, removeMarks(fewer, ['c']));
  const none = done(fewer, goes);
  expect(names(none)).toEqual([]);
  const back = done(none, invertTransaction(goes));
  expect([names(back), picture(back, 'c').source]).toEqual([['shore'], 'shore']);
});

test('copied into another document it brings its bytes along, once', () => {
  const state = put(put(empty, 'a'), 'b');
  const clip = copyMarks(state, ['a', 'b']);
  const read = readClip(writeClip(clip ?? never()));
  expect(read).toEqual(clip);
  let count = 0;
  const paste = (into: DocState): DocState =>
    done(
      into,
      pasteMarks(into, read, 'p1', { x: 200, y: 300 }, () => `new${count++}`),
    );
  const pasted = paste(empty);
  expect([names(pasted), marksOn(pasted, 'p1').size]).toEqual([['shore'], 2]);
  expect(names(paste(pasted))).toEqual(['shore']);
});

const never = (): never => {
  throw new Error('Nothing was copied.');
};

test('it is moved, described and cut down to a part of it, which stays where it lay', () => {
  const state = put(empty, 'a');
  const moved = done(state, carryMarks(state, ['a'], moveBy({ x: 10, y: 0 }), 'Move'));
  expect(picture(moved, 'a').place).toEqual([80, 0, 0, 60, 110, 200]);
  const told = done(moved, describePicture(picture(moved, 'a'), 'A limpet'));
  expect(kindFor(markOf(told, 'a')).words(markOf(told, 'a')).text).toBe('A limpet');
  expect(describePicture(picture(told, 'a'), 'A limpet')).toBeNull();
  // The upper right quarter.
  const cut = cropPicture(told, picture(told, 'a'), box(0.5, 0, 1, 0.5), smallPicture('part'));
  const after = done(told, whole(told, cut));
  // By then it shows something else.
  expect(cropPicture(after, picture(told, 'a'), box(0, 0, 1, 1), smallPicture('b'))).toBeNull();
  expect(picture(after, 'a')).toMatchObject({ source: 'part', place: [40, 0, 0, 30, 150, 230] });
  // What was cut away is nowhere.
  expect(names(after)).toEqual(['part']);
});

test('another picture takes its place, unless it shows something else by now', () => {
  const once = put(empty, 'a');
  const bare = whole(once, swapPicture(once, picture(once, 'a'), smallPicture('bare'), 'Take out'));
  const after = done(once, bare);
  expect([picture(after, 'a').source, picture(after, 'a').place]).toEqual(['bare', PLACE]);
  expect(swapPicture(after, picture(once, 'a'), smallPicture('other'), 'Take out')).toBeNull();
  expect(swapPicture(after, picture(after, 'a'), smallPicture('bare'), 'Take out')).toBeNull();
  expect(names(done(after, invertTransaction(bare)))).toContain('shore');
});

test('no rubber takes it', () => {
  const state = put(empty, 'a');
  for (const takes of ['whole', 'part'] as const) {
    const rubbing = startRubbing(state, 'p0', 30, { takes, only: 'everything', colour: '' });
    rubbing.along([
      { x: 90, y: 190 },
      { x: 190, y: 270 },
    ]);
    expect(rubbing.done()).toBeNull();
  }
});

test('a part of a document has the pictures of its pages, without notes too', () => {
  const state = put(put(empty, 'a'), 'b', 'p1', 'pool');
  expect(names(partOf(state, [1]))).toEqual(['pool']);
  expect(names(withoutNotes(state))).toEqual(['shore', 'pool']);
});

function graphicThat(says: string): { state: DocState; mark: GraphicMark } {
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 60"><rect width="40" height="60"/></svg>';
  const { graphic } = readSvg(svg, { width: 100, height: 60 });
  const asked = { id: 'g', page: 'p0', place: PLACE, graphic, says, madeAt: 0 };
  const state = done(empty, putGraphic(empty, asked));
  const mark = asGraphic(findMark(state, 'g'));
  if (!mark) throw new Error('There is no graphic.');
  return { state, mark };
}

test('a graphic is read again as it was put, however long its file says what it is', () => {
  const { mark } = graphicThat('Barnacles '.repeat(1000));
  expect(fromMarkRecord(toMarkRecord(mark))).toEqual(mark);
});

test('a graphic is described and cropped; its part stays where it lies, and of nothing nothing is left', () => {
  const { state, mark } = graphicThat('');
  const told = done(state, describePicture(mark, 'A rock'));
  expect(asGraphic(findMark(told, 'g'))?.says).toBe('A rock');
  const half = cropGraphic(mark, box(0, 0, 0.5, 1));
  const cropped = asGraphic(findMark(done(state, half), 'g'));
  expect(cropped?.place).toEqual([40, 0, 0, 60, 100, 200]);
  expect(cropGraphic(mark, box(0.5, 0, 1, 1))).toBeNull();
});
