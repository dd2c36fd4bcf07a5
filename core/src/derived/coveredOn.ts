import { PageMap, type PageMarks } from '../document/index.ts';
import { type Covered, kindFor, type Mark } from '../kinds/index.ts';
import type { MarkId } from '../marks/index.ts';

const NONE: readonly Mark[] = [];
const ofBase = new WeakMap<PageMarks, readonly Mark[]>();
const known = new WeakMap<PageMarks, ReadonlyMap<MarkId, Covered>>();

const covering = (marks: PageMarks): readonly Mark[] => {
  let found = ofBase.get(marks);
  if (!found) {
    found = [...marks.values()].filter((mark) => kindFor(mark).covers);
    ofBase.set(marks, found.length > 0 ? found : NONE);
  }
  return found;
};

/** The annotations of the source's page that marks take the place of, by the marks; kept as long as the marks. */
export function coveredOn(marks: PageMarks): ReadonlyMap<MarkId, Covered> {
  let covered = known.get(marks);
  if (covered) return covered;
  const { base, patch } = PageMap.partsOf(marks);
  const still = covering(base).filter(({ id }) => !patch.has(id));
  const come = [...patch.values()].filter((mark) => mark !== null);
  covered = new Map(
    [...still, ...come].flatMap((mark) => {
      const one = kindFor(mark).covers?.(mark);
      return one ? [[mark.id, one]] : [];
    }),
  );
  known.set(marks, covered);
  return covered;
}
