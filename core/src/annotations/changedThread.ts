import { LONGEST_REMARK, type Remark, type Thread } from '../document/index.ts';
import type { Annotation } from './annotation.ts';
import { settledName } from './ofMark.ts';
import type { Recognised } from './recognise.ts';
import { saysSame } from './saysSame.ts';
import { showsContents } from './showsContents.ts';
import { settlementOf, threadOf, timeOf } from './threads.ts';

/** The annotations of a copy that has come back, and what is known of them. */
export interface CameBack {
  readonly annotations: readonly Annotation[];
  readonly recognised: Recognised;
  /** What they are called here, where they are not ours. */
  readonly ids: readonly string[];
  /** Which answer each that stands for itself. */
  readonly answers: ReadonlyMap<number, readonly number[]>;
  /** For what does not say when it was written, ms since 1970. */
  readonly now: number;
}

/**
 * What is said about a mark by now: remarks that others have changed, answers that they have added, and whether it is settled. `taken` are annotations of others among it.
 * @param sent the annotations that mark and thread were sent as, the mark's own first
 * @param index where the mark's own is by now
 */
export function changedThread(
  thread: Thread | null,
  sent: readonly Annotation[],
  index: number,
  back: CameBack,
): { readonly thread: Thread | null; readonly taken: readonly number[] } {
  const { annotations, recognised, ids, now } = back;
  const under = back.answers.get(index) ?? [];
  const taken = under.filter((k) => !recognised.indices.has(k));
  const own = annotations[index];
  const others = threadOf(
    sent[0].name,
    // What the mark's own says is told below, or is what it shows, unless it says something for the first time.
    thread || (showsContents(sent[0].sketch) && saysSame(sent[0], own))
      ? { ...own, contents: '' }
      : own,
    taken.map((k) => ({ id: ids[k], annotation: annotations[k] })),
    now,
  );
  if (!thread) return { thread: others, taken };
  const remarks = [...remarksNow(thread, sent, back), ...(others?.remarks ?? [])];
  const settled = settledNow(thread, sent, under, back);
  const isSame =
    settled === thread.settled &&
    remarks.length === thread.remarks.length &&
    remarks.every((one, k) => one === thread.remarks[k]);
  if (isSame) return { thread, taken };
  return { thread: remarks.length === 0 ? null : { ...thread, remarks, settled }, taken };
}

/** What was sent of its remarks, as that is by now. */
function remarksNow(
  thread: Thread,
  sent: readonly Annotation[],
  { annotations, recognised, now }: CameBack,
): Remark[] {
  const isShown = showsContents(sent[0].sketch);
  return thread.remarks.flatMap((remark, k) => {
    // The first stands in the mark's own annotation, unless that shows what the mark says.
    const name = k === 0 && !isShown ? sent[0].name : remark.id;
    const before = sent.find((one) => one.name === name);
    const at = recognised.places.get(name);
    if (!before) return [remark];
    if (at === undefined) return recognised.isGone(before) ? [] : [remark];
    return reworded(remark, before, annotations[at], now);
  });
}

function reworded(remark: Remark, sent: Annotation, found: Annotation, now: number): Remark[] {
  if (saysSame(sent, found)) return [remark];
  if (found.contents.trim() === '') return [];
  const { id, author, madeAt } = remark;
  const text = found.contents.slice(0, LONGEST_REMARK);
  // What was written with the pen says something else by now.
  return [{ id, author, text, madeAt, editedAt: found.changedAt ?? now }];
}

/** The last word on whether it is settled, ours among them. */
function settledNow(
  thread: Thread,
  sent: readonly Annotation[],
  under: readonly number[],
  { annotations, recognised, now }: CameBack,
): Thread['settled'] {
  const own = sent.find(({ name }) => name === settledName(thread));
  const ownAt = own && recognised.places.get(own.name);
  const last = under
    .filter((k) => settlementOf(annotations[k], now) !== undefined)
    .sort((a, b) => timeOf(annotations[a], now) - timeOf(annotations[b], now))
    .at(-1);
  if (last !== undefined && last !== ownAt) return settlementOf(annotations[last], now) ?? null;
  const isTakenBack = own !== undefined && ownAt === undefined && recognised.isGone(own);
  return isTakenBack ? null : thread.settled;
}
