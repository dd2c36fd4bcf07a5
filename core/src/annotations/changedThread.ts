import { LONGEST_REMARK, type Remark, type Thread } from '../document/index.ts';
import type { Annotation } from './annotation.ts';
import { settledName } from './ofMark.ts';
import type { Recognised } from './recognise.ts';
import { answersUnder, threadOf } from './threads.ts';

const flat = (text: string): string => text.replace(/\s+/g, ' ').trim();

/**
 * What is said about a mark by now: remarks that others have changed, answers that they have added, and whether it is settled. `taken` are annotations of others among it.
 * @param sent the annotations that mark and thread were sent as, the mark's own first
 * @param index where the mark's own is by now
 */
export function changedThread(
  thread: Thread | null,
  sent: readonly Annotation[],
  index: number,
  annotations: readonly Annotation[],
  recognised: Recognised,
  now: number,
): { readonly thread: Thread | null; readonly taken: readonly number[] } {
  const own = annotations[index];
  const isShown = own.sketch?.subtype === 'FreeText' || sent[0].sketch?.subtype === 'FreeText';
  const under = answersUnder(annotations, index);
  const taken = under.filter((k) => !recognised.indices.has(k));
  const remarks = (thread?.remarks ?? []).flatMap((remark, k) => {
    // The first stands in the mark's own annotation.
    const before = sent.find(
      ({ name }) => name === (k === 0 && !isShown ? sent[0].name : remark.id),
    );
    const at = before && recognised.places.get(before.name);
    if (!before) return [remark];
    if (at === undefined) return recognised.isGone(before) ? [] : [remark];
    return reworded(remark, before, annotations[at], now);
  });
  const foreign = threadOf(
    sent[0].name,
    // What it says itself is told above, unless it says something for the first time.
    thread && thread.remarks.length > 0 ? { ...own, contents: '' } : own,
    taken.map((k) => ({ id: idOf(annotations, k), annotation: annotations[k] })),
    now,
  );
  const all = [...remarks, ...(foreign?.remarks ?? [])];
  if (!thread) return { thread: foreign, taken };
  const says = settledNow(thread, under, annotations, recognised, now);
  const isSame =
    says === thread.settled &&
    all.length === thread.remarks.length &&
    all.every((one, k) => one === thread.remarks[k]);
  if (isSame) return { thread, taken };
  return { thread: all.length === 0 ? null : { ...thread, remarks: all, settled: says }, taken };
}

const idOf = (annotations: readonly Annotation[], k: number): string => {
  const { name, page } = annotations[k];
  return name !== '' && name.length <= 80 ? name : `answer-${page + 1}-${k + 1}`;
};

function reworded(remark: Remark, sent: Annotation, found: Annotation, now: number): Remark[] {
  if (flat(sent.contents) === flat(found.contents)) return [remark];
  if (flat(found.contents) === '') return [];
  const { id, author, madeAt } = remark;
  const text = found.contents.slice(0, LONGEST_REMARK);
  // What was written with the pen says something else by now.
  return [{ id, author, text, madeAt, editedAt: found.changedAt ?? now }];
}

/** The last word on whether it is settled, ours among them. */
function settledNow(
  thread: Thread,
  under: readonly number[],
  annotations: readonly Annotation[],
  recognised: Recognised,
  now: number,
): Thread['settled'] {
  const name = settledName(thread);
  const ownAt = recognised.places.get(name);
  const states = under
    .filter((k) => annotations[k].state !== null)
    .map((k) => ({ k, at: annotations[k].changedAt ?? annotations[k].madeAt ?? now }))
    .sort((a, b) => a.at - b.at);
  const last = states.at(-1);
  if (last === undefined || last.k === ownAt) return thread.settled;
  const { state, author } = annotations[last.k];
  if (state?.says === 'Completed') return { by: author.slice(0, 200), at: last.at };
  return state?.says === 'None' ? null : thread.settled;
}
