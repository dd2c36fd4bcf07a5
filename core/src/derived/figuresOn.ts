import { PageMap, type PageMarks } from '../document/index.ts';
import { asFigure, type FigureMark } from '../kinds/index.ts';

const kept = new WeakMap<PageMarks, readonly FigureMark[]>();

function figuresOfBase(base: PageMarks): readonly FigureMark[] {
  let figures = kept.get(base);
  if (!figures) kept.set(base, (figures = [...base.values()].map(asFigure).filter(isThere)));
  return figures;
}

const isThere = (mark: FigureMark | null): mark is FigureMark => mark !== null;

/** The figures among the marks of a page, in no order; quickly found among much ink. */
export function figuresOn(marks: PageMarks): FigureMark[] {
  const { base, patch } = PageMap.partsOf(marks);
  const still = figuresOfBase(base).filter(({ id }) => !patch.has(id));
  return [...still, ...[...patch.values()].map((mark) => asFigure(mark ?? null)).filter(isThere)];
}
