import type { Attachment, Thread } from '../document/index.ts';
import { type Mark, marksOfSketch } from '../kinds/index.ts';
import type { PageId } from '../marks/index.ts';
import type { Annotation } from './annotation.ts';
import { answersByRoot } from './answers.ts';
import { idsFor } from './names.ts';
import { isSound } from './sound.ts';
import { type Answer, authorOf, threadOf, timeOf } from './threads.ts';

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
  /** What the marks show, each once. */
  readonly attachments: readonly Attachment[];
  /** Which of the list are marks now, or answers in a thread, or say the state of one; the others are still to be shown. */
  readonly taken: ReadonlySet<number>;
}

/** What has no colour is drawn in this. */
const INK = '#1b1b1d';

/** Makes marks and threads of annotations; what no kind of mark could be is left. */
export function fromAnnotations(
  annotations: readonly Annotation[],
  { pageId, now, order = 1 }: FromAnnotationsOptions,
): FromAnnotations {
  const ids = idsFor(annotations);
  const marks: Mark[] = [];
  const threads: Thread[] = [];
  const attachments = new Map<string, Attachment>();
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
      madeAt: timeOf(annotation, now),
      ...(annotation.author ? { author: authorOf(annotation) } : {}),
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
    const { attachment } = annotation;
    if (attachment) attachments.set(attachment.id, attachment);
    if (thread) threads.push(thread);
    for (const index of [k, ...answers]) taken.add(index);
  });
  return { marks, threads, attachments: [...attachments.values()], taken };
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
