import { boundsOf, drawingOf, plainRemark } from '../derived/index.ts';
import type { Thread } from '../document/index.ts';
import { drawingBounds } from '../drawing/index.ts';
import { type Box, growBox, uniteBoxes } from '../geometry/index.ts';
import { type AnnotationSketch, kindFor, type Mark } from '../kinds/index.ts';
import type { Annotation } from './annotation.ts';
import { showsContents } from './showsContents.ts';

/** Around what is drawn, so that no edge is cut, points. */
const ROOM = 1;
const PLAIN = { opacity: 1, colour: null, locked: false, sketch: null, state: null } as const;

/** The rectangle of a mark's annotation. */
const annotationBox = (mark: Mark): Box =>
  growBox(uniteBoxes(boundsOf(mark), drawingBounds(drawingOf(mark))), ROOM);

/** What the annotation is called that says that a thread is settled. */
export const settledName = (thread: Thread): string => `${thread.id} settled`;

/**
 * A mark on a page (from 0) as the standard annotation it is to other programs, first, and what is said about it: its first remark in that, answers, and that
 * the thread is settled, as annotations of their own. What was filled into a form is in its file's own annotations: only what is said about it is added.
 */
export function annotationsOfMark(mark: Mark, page: number, thread: Thread | null): Annotation[] {
  const said = kindFor(mark).annotation(mark);
  if (said.subtype === 'Widget' && !thread) return [];
  const sketch = said.subtype === 'Widget' ? noteBeside(mark) : said;
  const [first, ...rest] = thread?.remarks ?? [];
  const rect = annotationBox(mark);
  const { colour, opacity } = mark.style;
  const isShown = showsContents(sketch);
  const own: Annotation = {
    name: mark.id,
    page,
    subtype: sketch.subtype,
    rect,
    sketch,
    colour,
    opacity,
    author: first?.author || mark.author || '',
    contents: isShown ? kindFor(mark).words(mark).text : first ? plainRemark(first.text) : '',
    madeAt: mark.madeAt,
    changedAt: first?.editedAt ?? first?.madeAt ?? mark.madeAt,
    locked: mark.locked ?? false,
    shown: true,
    answers: null,
    state: null,
  };
  const answer = (part: Partial<Annotation> & Pick<Annotation, 'name'>): Annotation => ({
    ...PLAIN,
    ...{ page, subtype: 'Text', rect, shown: false, answers: { to: 0, as: 'answer' } },
    ...{ author: '', contents: '', madeAt: null, changedAt: null },
    ...part,
  });
  // What a box shows is its contents: what is said about it is an answer.
  const answers = (isShown && first ? [first, ...rest] : rest).map(
    ({ id, author, text, madeAt, editedAt }) =>
      answer({
        ...{ name: id, author, contents: plainRemark(text), madeAt },
        changedAt: editedAt ?? madeAt,
      }),
  );
  if (!thread?.settled) return [own, ...answers];
  const { by, at } = thread.settled;
  const state = answer({
    ...{ name: settledName(thread), author: by, contents: 'Settled', madeAt: at, changedAt: at },
    state: { model: 'Review', says: 'Completed' },
  });
  return [own, ...answers, state];
}

/** What is said about a field of a form stands beside it. */
function noteBeside(mark: Mark): AnnotationSketch {
  const { maxX, maxY } = boundsOf(mark);
  return { subtype: 'Text', at: { x: maxX, y: maxY } };
}
