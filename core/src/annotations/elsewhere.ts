import {
  type Change,
  changeOf,
  markChange,
  type NamedPart,
  samePart,
  type Thread,
} from '../document/index.ts';
import { kindFor, type Mark } from '../kinds/index.ts';
import type { Annotation } from './annotation.ts';
import { changedMark } from './changedMark.ts';
import { answersByRoot } from './answers.ts';
import { type CameBack, changedThread } from './changedThread.ts';
import { fromAnnotations, type FromAnnotations } from './fromAnnotations.ts';
import { idsFor } from './names.ts';
import { annotationsOfMark } from './ofMark.ts';
import { type CameAnnotation, recognise } from './recognise.ts';

/** What has been done to a living copy with other programs since it was made. */
export interface Elsewhere {
  /** As changes of the parts that it was made with; pages are called as there. */
  readonly changes: readonly Change[];
  /** Marks, remarks and settlings that are new, that have become others, and that are gone. */
  readonly added: number;
  readonly changed: number;
  readonly removed: number;
  /** Who added something, as far as they say so. */
  readonly authors: readonly string[];
  /** Annotations that are new and could be no marks. */
  readonly left: readonly Annotation[];
  /** Which of the annotations are not to stand on the pages beside the marks: ours, and those that have become marks. */
  readonly known: ReadonlySet<number>;
}

export interface ElsewhereOptions {
  /** For what does not say when it was written, ms since 1970. */
  readonly now: number;
  /** What stood in the file before anything of ours did. */
  readonly came?: readonly CameAnnotation[];
  /** Nothing is gone only because it is not there. */
  readonly partial?: boolean;
}

/**
 * Compares the annotations of a living copy with the parts it was made with. They are known by their names; where a program has given them others, by kind and place. What is
 * not found is gone only where the file still has names of ours, and nothing that it might be by now.
 */
export function elsewhereOf(
  parts: readonly NamedPart[],
  annotations: readonly Annotation[],
  { now, came = [], partial = false }: ElsewhereOptions,
): Elsewhere {
  const pages = parts.flatMap((one) => (one.part === 'page' ? [one.value.id] : []));
  const marks = parts.flatMap((one) => (one.part === 'mark' ? [one.value] : []));
  const threads = new Map<string, Thread>();
  for (const one of parts) if (one.part === 'thread') threads.set(one.value.mark, one.value);
  const own = marks.flatMap((mark): Sent[] => {
    const page = pages.indexOf(mark.page);
    const thread = threads.get(mark.id) ?? null;
    // Fields of a form are no annotations of ours: what became of them is read from the form.
    if (page < 0 || kindFor(mark).covers) return [];
    return [{ mark, thread, sent: annotationsOfMark(mark, page, thread) }];
  });
  const found = recognise(
    own.flatMap(({ sent }) => sent),
    annotations,
    came,
  );
  const recognised = partial ? { ...found, isGone: () => false } : found;
  const back: CameBack = {
    annotations,
    recognised,
    ids: idsFor(annotations),
    answers: answersByRoot(annotations),
    now,
  };
  const tally = new Tally();
  for (const one of own) compare(one, back, tally);
  const others = annotations.map((one, k) =>
    recognised.indices.has(k) || tally.answers.has(k)
      ? { ...one, sketch: null, shown: false }
      : one,
  );
  const more = fromAnnotations(others, {
    pageId: (page) => pages[page] ?? null,
    now,
    order: 1 + marks.reduce((top, { order }) => Math.max(top, order), 0),
  });
  tally.add(more);
  const known = new Set([...recognised.places.values(), ...tally.answers, ...more.taken]);
  for (const k of more.taken) tally.author(annotations[k]);
  return {
    ...tally.told(),
    left: annotations.filter((one, k) => one.shown && !known.has(k) && !recognised.indices.has(k)),
    known,
  };
}

/** What has been found so far. */
class Tally {
  /** Answers of others to what is ours. */
  readonly answers = new Set<number>();
  private readonly changes: Change[] = [];
  private readonly authors = new Set<string>();
  private added = 0;
  private changed = 0;
  private removed = 0;

  author({ author }: Annotation): void {
    if (author) this.authors.add(author);
  }

  answer(index: number, annotation: Annotation): void {
    this.answers.add(index);
    this.author(annotation);
  }

  mark(before: Mark, after: Mark | null): void {
    if (after && samePart('mark', before, after)) return;
    this.changes.push(markChange(before, after));
    if (after) this.changed++;
    else this.removed++;
  }

  thread(before: Thread | null, after: Thread | null): void {
    if (before === after || (before && after && samePart('thread', before, after))) return;
    this.changes.push(changeOf('thread', before, after));
    const [was, is] = [before?.remarks ?? [], after?.remarks ?? []];
    const ids = new Set(was.map(({ id }) => id));
    const left = new Map(is.map((one) => [one.id, one]));
    this.added += is.filter(({ id }) => !ids.has(id)).length;
    this.removed += was.filter(({ id }) => !left.has(id)).length;
    this.changed += was.filter((one) => left.has(one.id) && left.get(one.id) !== one).length;
    if (after && (before?.settled?.at ?? null) !== (after.settled?.at ?? null)) this.changed++;
  }

  add({ marks, threads, attachments }: FromAnnotations): void {
    this.changes.push(...attachments.map((one) => changeOf('attachment', null, one)));
    this.changes.push(...marks.map((mark) => markChange(null, mark)));
    this.changes.push(...threads.map((thread) => changeOf('thread', null, thread)));
    // Strokes of one drawing are one.
    this.added += new Set(marks.map(({ id, group }) => group ?? id)).size;
  }

  told() {
    const { changes, added, changed, removed, authors } = this;
    return { changes, added, changed, removed, authors: [...authors] };
  }
}

/** A mark, what is said about it, and the annotations that these were sent as, its own first. */
interface Sent {
  readonly mark: Mark;
  readonly thread: Thread | null;
  readonly sent: readonly Annotation[];
}

function compare({ mark, thread, sent }: Sent, back: CameBack, tally: Tally): void {
  const { annotations, recognised } = back;
  const index = recognised.places.get(sent[0].name);
  if (index === undefined) {
    if (!recognised.isGone(sent[0])) return;
    tally.mark(mark, null);
    tally.thread(thread, null);
    return;
  }
  tally.mark(mark, changedMark(mark, sent[0], annotations[index]));
  const { thread: after, taken } = changedThread(thread, sent, index, back);
  for (const k of taken) tally.answer(k, annotations[k]);
  tally.thread(thread, after);
}
