import { type DocState, isCutDown, marksOn, withMarksLeft } from '../document/index.ts';
import { boxesMeet } from '../geometry/index.ts';
import { kindFor } from '../kinds/index.ts';
import { boundsOf } from './drawingOf.ts';

/**
 * A document without what lies beyond what is seen of its pages: marks, what is said of them and carried by them, links; bars stay, which hide their words
 * everywhere. The same one where nothing does.
 */
export function withoutCut(document: DocState): DocState {
  const cut = new Map(document.pages.filter(isCutDown).map(({ id, box }) => [id, box]));
  const gone = new Set<string>();
  const marks = new Map(document.marks);
  for (const [page, box] of cut) {
    const left = [...marksOn(document, page)].filter(([id, mark]) => {
      const isLeft = kindFor(mark).redacts !== undefined || boxesMeet(boundsOf(mark), box);
      if (!isLeft) gone.add(id);
      return isLeft;
    });
    marks.set(page, new Map(left));
  }
  const links = new Map(
    [...document.links].filter(([, { page, area }]) => {
      const box = cut.get(page);
      return !box || boxesMeet(area, box);
    }),
  );
  const left = gone.size === 0 ? document : withMarksLeft(document, marks, gone);
  return links.size === document.links.size ? left : { ...left, links };
}
