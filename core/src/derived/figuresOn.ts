import { PageMap, type PageMarks } from '../document/index.ts';
import { asFigure, type FigureMark, type Mark } from '../kinds/index.ts';

const kept = new WeakMap<PageMarks, readonly FigureMark[]>();

const figuresIn = (marks: Iterable<Mark | null>): FigureMark[] =>
  Array.from(marks, (mark) => asFigure(mark)).filter((mark) => mark !== null);

function figuresOfBase(base: PageMarks): readonly FigureMark[] {
  let figures = kept.get(base);
  if (!figures) kept.set(base, (figures = figuresIn(base.values())));
  return figures;
}

/** The figures among the marks of a page, in no order; quickly found among much ink. */
export function figuresOn(marks: PageMarks): FigureMark[] {
  const { base, patch } = PageMap.partsOf(marks);
  const still = figuresOfBase(base).filter(({ id }) => !patch.has(id));
  return [...still, ...figuresIn(patch.values())];
}
