import {
  type Change,
  type DocState,
  findMark,
  markChange,
  markChangesIn,
  marksOn,
  type Transaction,
} from '../document/index.ts';
import { asFigure, type FigureMark, type Mark, untied } from '../kinds/index.ts';
import type { MarkId } from '../marks/index.ts';
import { edgeOf, isLine, tiedLine, tiesOf } from './ties.ts';

/**
 * A transaction with what it means for lines that go from mark to mark: a line that is drawn so is tied to both (where `ties` says so), follows them when
 * they are moved or change their size, and is free again when one of them goes, or when it is led elsewhere itself. The same transaction where that concerns none.
 */
export function keepTies(state: DocState, transaction: Transaction, ties = true): Transaction {
  const afters = new Map<MarkId, Mark | null>();
  const marks = markChangesIn(transaction);
  for (const { id, after } of marks) afters.set(id, after ?? afters.get(id) ?? null);
  const becomes = (id: MarkId): Mark | null =>
    afters.get(id) ?? (afters.has(id) ? null : findMark(state, id));
  const touched = marks.filter(({ before, after }) => edgeIn(before) || edgeIn(after));
  const lines = marks.filter(({ after }) => asLine(after));
  if (touched.length === 0 && lines.length === 0) return transaction;

  const changed = new Map<MarkId, FigureMark>();
  const others = (line: FigureMark): Mark[] =>
    [...marksOn(state, line.page).keys(), ...afters.keys()].flatMap((id) => {
      const mark = id === line.id ? null : becomes(id);
      return mark?.page === line.page ? [mark] : [];
    });
  /** As its ends say where they are now. */
  const tiedAnew = (line: FigureMark): FigureMark => {
    const free = untied(line);
    const found =
      ties && !line.left && isLine(line.figure) ? tiesOf(line.figure, others(line)) : null;
    return found ? following({ ...free, ties: found }, becomes) : free;
  };
  for (const { before, after } of lines) {
    const line = asLine(after);
    if (!line) continue;
    const was = asLine(before);
    const isLed = was !== null && !isSame(was.figure, line.figure) && !tiedTo(line, afters);
    if (was === null || isLed || (line.left && line.ties)) changed.set(line.id, tiedAnew(line));
  }
  const ids = new Set(touched.map(({ id }) => id));
  const pages = new Set(touched.flatMap(({ before, after }) => [before?.page, after?.page]));
  for (const page of pages)
    for (const mark of page ? marksOn(state, page).values() : []) {
      const line = asLine(afters.has(mark.id) ? (afters.get(mark.id) ?? null) : mark);
      if (
        line?.ties &&
        !changed.has(line.id) &&
        (ids.has(line.ties.from.mark) || ids.has(line.ties.to.mark))
      )
        changed.set(line.id, following(line, becomes));
    }
  const changes = withLines(state, transaction.changes, changed);
  return changes === transaction.changes ? transaction : { ...transaction, changes };
}

/** The lines that follow marks which become others, as they will be; those that are among them are left out. */
export function followersOf(state: DocState, pairs: readonly (readonly [Mark, Mark])[]): Mark[] {
  const changes = pairs.map(([before, after]) => markChange(before, after));
  const own = new Set(changes.map(({ id }) => id));
  return markChangesIn(keepTies(state, { label: '', changes })).flatMap(({ id, after }) =>
    after && !own.has(id) ? [after] : [],
  );
}

const asLine = (mark: Mark | null): FigureMark | null => {
  const figure = asFigure(mark);
  return figure && isLine(figure.figure) ? figure : null;
};
const edgeIn = (mark: Mark | null): boolean => mark !== null && edgeOf(mark) !== null;
const isSame = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** One of the marks that it is tied to changes along with it. */
const tiedTo = ({ ties }: FigureMark, afters: ReadonlyMap<MarkId, Mark | null>): boolean =>
  ties !== undefined && (afters.has(ties.from.mark) || afters.has(ties.to.mark));

/** A tied line between its marks as they are now; free where one of them is gone, or on another page. */
function following(line: FigureMark, becomes: (id: MarkId) => Mark | null): FigureMark {
  const { ties, figure } = line;
  if (!ties || !isLine(figure)) return line;
  const [from, to] = [becomes(ties.from.mark), becomes(ties.to.mark)].map((mark) =>
    mark?.page === line.page ? edgeOf(mark) : null,
  );
  if (!from || !to) return untied(line);
  return { ...line, figure: tiedLine(figure, ties, from, to) };
}

/** Changes with lines as they become: in the place of their own changes, or after all. */
function withLines(
  state: DocState,
  changes: readonly Change[],
  lines: ReadonlyMap<MarkId, FigureMark>,
): readonly Change[] {
  const rest = new Map(lines);
  let isOther = false;
  const out = changes.map((change) => {
    const line = change.part === 'mark' && change.after ? rest.get(change.id) : undefined;
    if (!line || change.part !== 'mark') return change;
    rest.delete(line.id);
    if (isSame(line, change.after)) return change;
    isOther = true;
    return markChange(change.before, line);
  });
  for (const line of rest.values()) {
    const before = findMark(state, line.id);
    if (!before || isSame(before, line)) continue;
    isOther = true;
    out.push(markChange(before, line));
  }
  return isOther ? out : changes;
}
