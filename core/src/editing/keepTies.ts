import {
  type Change,
  type DocState,
  findMark,
  type MarkChange,
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
  const marks = markChangesIn(transaction);
  if (!marks.some(({ before, after }) => edgeIn(before) || edgeIn(after) || asLine(after)))
    return transaction;
  const after = new Afterwards(state, marks);
  const lines = new Map<MarkId, FigureMark>();
  for (const change of marks) {
    const line = asLine(change.after);
    if (line && isLed(change, after)) lines.set(line.id, tiedAnew(line, ties, after));
  }
  for (const page of new Set(marks.flatMap((change) => [change.before?.page, change.after?.page])))
    for (const mark of page ? marksOn(state, page).values() : []) {
      const line = asLine(after.becomes(mark));
      if (line && !lines.has(line.id) && after.isTiedToChanged(line))
        lines.set(line.id, following(line, after));
    }
  const changes = withLines(state, transaction.changes, lines);
  return changes === transaction.changes ? transaction : { ...transaction, changes };
}

/** The marks of a document as they are after a transaction. */
class Afterwards {
  private readonly changed = new Map<MarkId, Mark | null>();

  constructor(
    private readonly state: DocState,
    changes: readonly MarkChange[],
  ) {
    // What goes to another page is taken off one and put on the other.
    for (const { id, after } of changes)
      this.changed.set(id, after ?? this.changed.get(id) ?? null);
  }

  mark(id: MarkId): Mark | null {
    const changed = this.changed.get(id);
    return changed === undefined ? findMark(this.state, id) : changed;
  }

  /** What becomes of a mark of the document, without looking for it. */
  becomes(mark: Mark): Mark | null {
    const changed = this.changed.get(mark.id);
    return changed === undefined ? mark : changed;
  }

  /** The other marks of a line's page. */
  beside({ id, page }: FigureMark): Mark[] {
    const still = [...marksOn(this.state, page).values()].filter(
      (mark) => !this.changed.has(mark.id),
    );
    return [...still, ...this.changed.values()].filter(
      (mark): mark is Mark => mark !== null && mark.page === page && mark.id !== id,
    );
  }

  isTiedToChanged({ ties }: FigureMark): boolean {
    return (
      ties !== undefined && (this.changed.has(ties.from.mark) || this.changed.has(ties.to.mark))
    );
  }
}

/** A line that is new, that a person leads elsewhere by itself, or that is cut: its ends say anew what it is tied to. */
function isLed({ before, after: now }: MarkChange, after: Afterwards): boolean {
  const [was, line] = [asLine(before), asLine(now)];
  if (!was || !line) return true;
  if (line.left) return line.ties !== undefined;
  return !isSame(was.figure, line.figure) && !after.isTiedToChanged(line);
}

function tiedAnew(line: FigureMark, ties: boolean, after: Afterwards): FigureMark {
  const free = untied(line);
  if (!ties || line.left || !isLine(line.figure)) return free;
  const found = tiesOf(line.figure, after.beside(line));
  return found ? following({ ...free, ties: found }, after) : free;
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

/** A tied line between its marks as they are now; free where one of them is gone, or on another page. */
function following(line: FigureMark, after: Afterwards): FigureMark {
  const { ties, figure } = line;
  if (!ties || !isLine(figure)) return line;
  const [from, to] = [ties.from, ties.to].map((tie) => {
    const mark = after.mark(tie.mark);
    return mark?.page === line.page ? edgeOf(mark) : null;
  });
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
