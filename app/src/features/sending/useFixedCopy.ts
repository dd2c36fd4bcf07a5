import { plainDocument } from '@marginalis/core/document';
import type { FixedCopy } from '@marginalis/core/pdf';
import { useCallback, useEffect, useRef, useState } from 'react';
import { passwordFor, useSession } from '@/session';
import { readSource, type Settings } from '@/storage';
import { faceAddresses, ownFaces, startWork, type Work } from '@/work';
import { notesFor } from './notesFor';
import type { Part } from './useAsked';

export type CopyState =
  | { readonly phase: 'idle' }
  | { readonly phase: 'making'; readonly done: number; readonly all: number }
  | { readonly phase: 'made'; readonly copy: FixedCopy }
  | { readonly phase: 'failed'; readonly message: string };

const BYTES_GONE = 'The bytes of this document are no longer in storage. Open the file again.';

/** What a copy is made of, and where the notes on its pages stand. */
export interface CopyOfPart {
  readonly part: Pick<Part, 'document' | 'names'>;
  readonly notes: Settings['sending']['notes'];
}

/** The fixed copy of the open document, or of some of its pages: made on request, off the main thread, and stoppable. */
export function useFixedCopy(): {
  state: CopyState;
  make: (of: CopyOfPart) => void;
  stop: () => void;
} {
  const session = useSession();
  const [state, setState] = useState<CopyState>({ phase: 'idle' });
  /** What is being made; another object, or null, once it is not wanted any more. */
  const making = useRef<{ work: Work<FixedCopy> | null } | null>(null);

  const stop = useCallback(() => {
    making.current?.work?.stop();
    making.current = null;
    setState({ phase: 'idle' });
  }, []);

  const begin = useCallback(
    async ({ part, notes }: CopyOfPart) => {
      const { source } = session.desk;
      const { document, names } = part;
      const mine: { work: Work<FixedCopy> | null } = { work: null };
      making.current?.work?.stop();
      making.current = mine;
      const show = (next: CopyState): void => {
        if (making.current === mine) setState(next);
      };
      setState({ phase: 'making', done: 0, all: document.pages.length });
      try {
        const bytes = await readSource(source);
        if (making.current !== mine) return;
        if (!bytes) return show({ phase: 'failed', message: BYTES_GONE });
        const layers = session.copyLayers.known(document);
        const unknown = new Map([...document.marks].filter(([page]) => !layers.has(page)));
        const password = passwordFor(source);
        const ask = {
          sources: [{ sha: source, bytes, ...(password === undefined ? {} : { password }) }],
          document: plainDocument({ ...document, marks: unknown }),
          layers,
          faces: faceAddresses(),
          own: await ownFaces.files(),
          notes: notes === 'none' ? [] : notesFor(document, (index) => names[index]),
          notesAt: notes === 'beside' ? ('beside' as const) : ('end' as const),
          copyOf: { title: session.desk.title, madeAt: Date.now() },
        };
        mine.work = startWork('fixedCopy', ask, (done, all) =>
          show({ phase: 'making', done, all }),
        );
        const result = await mine.work.result;
        if (result.ok) show({ phase: 'made', copy: result.value });
        else if (result.failure.kind !== 'stopped')
          show({ phase: 'failed', message: result.failure.message });
      } catch (e) {
        const words = e instanceof Error ? e.message : String(e);
        show({ phase: 'failed', message: `The document cannot be read from storage: ${words}` });
      }
    },
    [session],
  );

  useEffect(
    () => () => {
      making.current?.work?.stop();
      making.current = null;
    },
    [],
  );
  const make = useCallback((of: CopyOfPart) => void begin(of), [begin]);
  return { state, make, stop };
}
