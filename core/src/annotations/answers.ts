import type { Annotation } from './annotation.ts';

/** Which of a list answer each that stands for itself, by its index; answers to answers too. */
export function answersByRoot(
  annotations: readonly Annotation[],
): ReadonlyMap<number, readonly number[]> {
  const byRoot = new Map<number, number[]>();
  annotations.forEach(({ answers }, index) => {
    if (answers?.as !== 'answer') return;
    const root = rootOf(annotations, answers.to);
    if (root === null) return;
    const all = byRoot.get(root);
    if (all) all.push(index);
    else byRoot.set(root, [index]);
  });
  return byRoot;
}

/** What one that is answered stands under in the end; null where that is nothing, or they answer in a circle. */
function rootOf(annotations: readonly Annotation[], first: number): number | null {
  let root = first;
  for (let steps = 0; steps <= DEEPEST; steps++) {
    const above = annotations[root];
    if (above?.answers?.as !== 'answer') return above ? root : null;
    root = above.answers.to;
  }
  return null;
}

/** Answers to answers that are followed; nobody talks so deep. */
const DEEPEST = 1000;
