import type { Thread } from '../document/index.ts';
import { type Mark, marksOfSketch } from '../kinds/index.ts';
import type { PageId } from '../marks/index.ts';
import type { Annotation } from './annotation.ts';
import { isSound } from './sound.ts';
import { type Answer, threadOf } from './threads.ts';

export interface FromAnnotationsOptions {
  /** What the page of a number, from 0, is called; null where there is none. */
  readonly pageId: (page: number) => PageId | null;
  /** For what does not say when it was made, milliseconds since 1970. */
  readonly now: number;
  /** The order of the first mark. */
  readonly order?: number;
}

/** What annotations of another program have become. */
export interface FromAnnotations {
  readonly marks: readonly Mark[];
  readonly threads: readonly Thread[];
  /** Which of the list are marks now, or answers in a thread, or say the state of one; the others are still to be shown. */
  readonly taken: ReadonlySet<number>;
}

/** Longer names are no use as ids. */
const LONGEST_NAME = 80;
const INK = '#1b1b1d';
const LONGEST_AUTHOR = 200;

/** Makes marks and threads of annotations; what no kind of mark could be is left. */
export function fromAnnotations(
  annotations: readonly Annotation[],
  { pageId, now, order = 1 }: FromAnnotationsOptions,
): FromAnnotations {
  const ids = idsFor(annotations);
  const marks: Mark[] = [];
  const threads: Thread[] = [];
  const taken = new Set<number>();
  const answersTo = answersByRoot(annotations);
  const groups = groupsOf(annotations, ids);
  annotations.forEach((annotation, k) => {
    const page = pageId(annotation.page);
    if (!annotation.sketch || page === null || !annotation.shown) return;
    if (annotation.answers?.as === 'answer') return;
    const id = ids[k];
    const made = marksOfSketch(annotation.sketch, {
      id,
      page,
      order: order + k,
      style: { colour: annotation.colour ?? INK, width: 1, opacity: annotation.opacity },
      madeAt: annotation.madeAt ?? annotation.changedAt ?? now,
      ...(annotation.author ? { author: annotation.author.slice(0, LONGEST_AUTHOR) } : {}),
      ...(annotation.locked ? { locked: true } : {}),
      ...(groups.has(k) ? { group: groups.get(k) } : {}),
    });
    if (made.length === 0 || !made.every(isSound)) return;
    const answers = answersTo.get(k) ?? [];
    const thread = threadOf(
      id,
      annotation,
      answers.map((index): Answer => ({ id: ids[index], annotation: annotations[index] })),
      now,
    );
    // A note that says nothing would be a sign of nothing.
    if (!thread && annotation.sketch.subtype === 'Text') return;
    marks.push(...made);
    if (thread) threads.push(thread);
    for (const index of [k, ...answers]) taken.add(index);
  });
  return { marks, threads, taken };
}

/** Their names where these tell them apart; else a name by place, the same whenever the same file is read. */
function idsFor(annotations: readonly Annotation[]): string[] {
  const count = new Map<string, number>();
  for (const { name } of annotations) count.set(name, (count.get(name) ?? 0) + 1);
  const onPage = new Map<number, number>();
  return annotations.map(({ name, page }) => {
    const k = (onPage.get(page) ?? 0) + 1;
    onPage.set(page, k);
    const isOwn = name !== '' && name.length <= LONGEST_NAME && count.get(name) === 1;
    return isOwn ? name : `annotation-${page + 1}-${k}`;
  });
}

/** What answers each that stands for itself, answers to answers too. */
function answersByRoot(annotations: readonly Annotation[]): ReadonlyMap<number, number[]> {
  const byRoot = new Map<number, number[]>();
  annotations.forEach(({ answers }, index) => {
    if (answers?.as !== 'answer') return;
    let root = answers.to;
    // Who answers in a circle answers nobody.
    for (let steps = 0; steps < annotations.length; steps++) {
      const above = annotations[root]?.answers;
      if (above?.as !== 'answer') break;
      root = above.to;
    }
    if (annotations[root] === undefined || annotations[root].answers?.as === 'answer') return;
    byRoot.set(root, [...(byRoot.get(root) ?? []), index]);
  });
  return byRoot;
}

/** What is of one group is picked together (RT Group, §12.5.6.2); a group is called by what leads it. */
function groupsOf(
  annotations: readonly Annotation[],
  ids: readonly string[],
): ReadonlyMap<number, string> {
  const groups = new Map<number, string>();
  annotations.forEach(({ answers }, k) => {
    if (answers?.as !== 'group' || annotations[answers.to] === undefined) return;
    groups.set(k, ids[answers.to]).set(answers.to, ids[answers.to]);
  });
  return groups;
}
