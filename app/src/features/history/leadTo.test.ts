import {
  applyTransaction,
  changeOf,
  emptyDocument,
  invertTransaction,
  markChange,
} from '@marginalis/core/document';
import { addPaper } from '@marginalis/core/editing';
import { plainPage } from '@marginalis/core/geometry';
import { usualRuling } from '@marginalis/core/paper';
import { StageController } from '../../stage/StageController';
import { alongCorners } from '../../../../core/testing/hand';
import { markOf, pageRefsFor, written } from '../../../../core/testing/marks';
import { leadTo } from './leadTo';

const pages = pageRefsFor(Array.from({ length: 9 }, () => plainPage(595, 842)));
const stageOf = (shown = pages): StageController => {
  const stage = new StageController(shown);
  stage.resize(800, 600);
  return stage;
};
const marked = written(pages, [
  {
    page: 5,
    path: alongCorners([
      { x: 100, y: 200 },
      { x: 180, y: 200 },
    ]),
    id: 'm',
  },
]);
const mark = markOf(marked, 'm');
const wrote = { label: 'Write', changes: [markChange(null, mark)] };

test('a step that is out of sight is gone to', () => {
  const stage = stageOf();
  leadTo(stage, pages, invertTransaction(wrote));
  expect(stage.getSight().current).toBe(5);
});

test('a step of which something is in sight moves nothing', () => {
  const stage = stageOf();
  stage.goToPage(5);
  stage.pan(0, -300);
  const { y } = stage.getCamera();
  leadTo(stage, pages, wrote);
  expect(stage.getCamera().y).toBe(y);
});

test('where a page was added and is gone again, one sees where it stood', () => {
  const added = addPaper(emptyDocument(pages), 'p7', usualRuling('blank'), 'new');
  const applied = applyTransaction(emptyDocument(pages), added);
  if (!applied.ok) throw new Error(applied.reason);
  const stage = stageOf();
  leadTo(stage, applied.state.pages, invertTransaction(added));
  expect(stage.getSight().current).toBe(8);
});

test('a step that is of no place moves nothing', () => {
  const stage = stageOf();
  const tag = changeOf('tag', null, { id: 't', name: 'Ask', colour: '#1f7a5c', order: 1 });
  leadTo(stage, pages, { label: 'Tag', changes: [tag] });
  expect(stage.getSight().current).toBe(0);
});
