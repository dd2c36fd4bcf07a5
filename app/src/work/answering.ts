import { PdfRefusal } from '@marginalis/core/document';
import type { JobName, Jobs, WorkFailure, WorkReply, WorkRequest } from './contract';

export type Run<J extends JobName> = (
  ask: Jobs[J]['ask'],
  progress: (done: number, all: number) => void,
) => Promise<Jobs[J]['answer']>;

const failureOf = (e: unknown): WorkFailure =>
  e instanceof PdfRefusal
    ? { kind: 'refused', reason: e.reason, message: e.message }
    : { kind: 'failed', message: e instanceof Error ? e.message : String(e) };

/** Answers one request with what a worker can do; everything that goes wrong is part of the answer. */
export async function answer(
  runs: { readonly [J in JobName]?: Run<J> },
  { id, job, ask }: WorkRequest,
  reply: (message: WorkReply) => void,
): Promise<void> {
  try {
    const run = runs[job] as Run<JobName> | undefined;
    if (!run) throw new Error(`There is no job “${job}” here.`);
    const done = await run(ask as never, (n, all) => reply({ id, type: 'progress', done: n, all }));
    reply({ id, type: 'done', ok: true, answer: done });
  } catch (e) {
    reply({ id, type: 'done', ok: false, failure: failureOf(e) });
  }
}
