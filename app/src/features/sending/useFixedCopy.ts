import { plainDocument } from '@marginalis/core/document';
import type { FixedCopy } from '@marginalis/core/pdf';
import { useCallback, useEffect, useRef, useState } from 'react';
import { passwordFor, useSession } from '@/session';
import { readSource } from '@/storage';
import { startWork, type Work } from '@/work';

export type CopyState =
  | { readonly phase: 'idle' }
  | { readonly phase: 'making'; readonly done: number; readonly all: number }
  | { readonly phase: 'made'; readonly copy: FixedCopy }
  | { readonly phase: 'failed'; readonly message: string };

/** The fixed copy of the open document as it is now: made on request, off the main thread, and stoppable. */
export function useFixedCopy(): { state: CopyState; make: () => void; stop: () => void } {
  const session = useSession();
  const [state, setState] = useState<CopyState>({ phase: 'idle' });
  const work = useRef<Work<FixedCopy> | null>(null);

  const stop = useCallback(() => {
    work.current?.stop();
    work.current = null;
    setState({ phase: 'idle' });
  }, []);

  const make = useCallback(async () => {
    const { source } = session.desk;
    setState({ phase: 'making', done: 0, all: session.desk.pages.length });
    const bytes = await readSource(source);
    if (!bytes) {
      setState({
        phase: 'failed',
        message: 'The bytes of this document are no longer in storage. Open the file again.',
      });
      return;
    }
    const ask = {
      bytes,
      document: plainDocument(session.store.getState().document),
      password: passwordFor(source),
    };
    const started = startWork('fixedCopy', ask, (done, all) =>
      setState({ phase: 'making', done, all }),
    );
    work.current = started;
    const result = await started.result;
    if (work.current !== started) return;
    work.current = null;
    if (result.ok) setState({ phase: 'made', copy: result.value });
    else if (result.failure.kind !== 'stopped')
      setState({ phase: 'failed', message: result.failure.message });
  }, [session]);

  useEffect(() => () => work.current?.stop(), []);
  return { state, make: () => void make(), stop };
}
