import { listNotes } from '@marginalis/core/derived';
import {
  applyTransaction,
  type DocState,
  emptyDocument,
  pagesOfSource,
} from '@marginalis/core/document';
import { addNote } from '@marginalis/core/editing';
import { plainPage } from '@marginalis/core/geometry';
import { StageController } from '../../stage/StageController';
import { crowdedPages, notesBeside } from './besidePage';

const boxes = [plainPage(400, 600), plainPage(400, 600)];
const pages = pagesOfSource('a'.repeat(64), boxes, (index) => `p${index}`);
const style = { colour: '#1b1b1d', width: 1.2, opacity: 1 };

/** Notes at places of the first page, from its head. */
function noted(...places: readonly { x: number; y: number }[]): DocState {
  return places.reduce<DocState>((state, at, k) => {
    const note = {
      id: `n${k}`,
      about: { page: 'p0', at: { x: at.x, y: 600 - at.y } },
      text: `${k}`,
      style,
    };
    const added = addNote(state, { ...note, author: '', madeAt: k });
    const applied = added && applyTransaction(state, added);
    if (!applied?.ok) throw new Error('The note was not added.');
    return applied.state;
  }, emptyDocument(pages));
}
function seen(state: DocState) {
  const stage = new StageController(pages);
  stage.resize(400, 600);
  return { stage, beside: notesBeside(listNotes(state), state, stage, true) };
}

test('cards stand in the order of their numbers, also those of one line', () => {
  const { beside } = seen(noted({ x: 300, y: 100 }, { x: 40, y: 106 }, { x: 100, y: 40 }));
  expect(beside.map(({ note }) => [note.number, note.thread.id])).toEqual([
    [1, 'n2'],
    [2, 'n1'],
    [3, 'n0'],
  ]);
});

test('a page is crowded when its cards have no room beside it, and no other page is', () => {
  const few = seen(noted({ x: 40, y: 100 }, { x: 40, y: 200 }));
  expect([...crowdedPages(few.beside, few.stage)]).toEqual([]);
  const many = seen(noted(...Array.from({ length: 40 }, (_, k) => ({ x: 40, y: 20 + 14 * k }))));
  expect([...crowdedPages(many.beside, many.stage)]).toEqual([0]);
});
