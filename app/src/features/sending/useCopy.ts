import { drawingsKnown } from '@marginalis/core/derived';
import { plainDocument } from '@marginalis/core/document';
import type { FixedCopy, LivingCopy } from '@marginalis/core/pdf';
import { fileStem } from '@marginalis/core/wire';
import type { Proof, ProvedPage } from '@marginalis/core/proof';
import { useCallback, useEffect, useRef, useState } from 'react';
import { type DocumentSession, useSession } from '@/session';
import { startWork, type Work, type WorkFailure } from '@/work';
import { type AskOfCopy, askOfCopy } from './askOfCopy';
import { type CopyOfPart, documentOf } from './copyOfPart';

/** What a proof has said of a copy; `why` it says nothing, in words. */
export type Proved =
  | { readonly proof: Proof; readonly wrong: readonly ProvedPage[] }
  | { readonly proof: null; readonly why: string };

/** A finished copy, and its proof. */
export interface MadeCopy {
  readonly copy: FixedCopy | LivingCopy;
  readonly proved: Proved;
  /** Its pages as pictures, where these are asked for. */
  readonly pictures: Blob | null;
}

export type CopyState =
  | { readonly phase: 'idle' }
  | {
      readonly phase: 'making' | 'proving' | 'drawing';
      readonly done: number;
      readonly all: number;
    }
  | ({ readonly phase: 'made' } & MadeCopy)
  | { readonly phase: 'failed'; readonly message: string };

/** What runs at present for a copy; none once it is not wanted any more. */
interface Making {
  work: Pick<Work<unknown>, 'stop'> | null;
}

/**
 * A copy of the open document, or of some of its pages: made and proved on request, off the main thread, and
 * stoppable. `make` gives what it has made, or why it has made nothing.
 */
export function useCopy(): {
  state: CopyState;
  make: (of: CopyOfPart) => Promise<MadeCopy | 'stopped' | 'failed'>;
  stop: () => void;
} {
  const session = useSession();
  const [state, setState] = useState<CopyState>({ phase: 'idle' });
  const making = useRef<Making | null>(null);

  const stop = useCallback(() => {
    making.current?.work?.stop();
    making.current = null;
    setState({ phase: 'idle' });
  }, []);

  const make = useCallback(
    async (of: CopyOfPart): Promise<MadeCopy | 'stopped' | 'failed'> => {
      const mine: Making = { work: null };
      making.current?.work?.stop();
      making.current = mine;
      const show = (next: CopyState): void => {
        if (making.current === mine) setState(next);
      };
      const failed = (message: string): 'failed' => {
        show({ phase: 'failed', message });
        return 'failed';
      };
      show({ phase: 'making', done: 0, all: of.part.document.pages.length });
      try {
        const asked = await askOfCopy(session, of);
        if (making.current !== mine) return 'stopped';
        if (!asked.ok) return failed(asked.message);
        const tell = (done: number, all: number): void => show({ phase: 'making', done, all });
        const copying = copyingOf(asked.ask, of, tell);
        mine.work = copying;
        const result = await copying.result;
        if (making.current !== mine) return 'stopped';
        if (!result.ok)
          return result.failure.kind === 'stopped'
            ? 'stopped'
            : failed(await whyNoCopy(session, asked.ask, result.failure));
        const copy = result.value;
        show({ phase: 'proving', done: 0, all: copy.pages });
        const proved = await prove(asked.ask, of, copy, mine, (done, all) =>
          show({ phase: 'proving', done, all }),
        );
        if (making.current !== mine || !proved) return 'stopped';
        const drawing = drawingOf(of, copy, (done, all) => show({ phase: 'drawing', done, all }));
        let pictures: Blob | null = null;
        if (drawing) {
          show({ phase: 'drawing', done: 0, all: copy.pages });
          mine.work = drawing;
          const drawn = await drawing.result;
          if (making.current !== mine) return 'stopped';
          if (!drawn.ok)
            return drawn.failure.kind === 'stopped' ? 'stopped' : failed(drawn.failure.message);
          pictures = drawn.value;
        }
        show({ phase: 'made', copy, proved, pictures });
        return { copy, proved, pictures };
      } catch (e) {
        const words = e instanceof Error ? e.message : String(e);
        return failed(`The document cannot be read from storage: ${words}`);
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
  return { state, make, stop };
}

/** Why there is no copy. What is locked is told to the session, so that its password is asked for. */
async function whyNoCopy(
  { locks }: Pick<DocumentSession, 'locks'>,
  { sources }: AskOfCopy,
  failure: WorkFailure,
): Promise<string> {
  if (failure.kind !== 'refused' || failure.reason !== 'locked') return failure.message;
  await locks.look(sources.map(({ sha }) => sha));
  return 'Some pages come from a file that is locked. Open them with its password first: “Open locked pages” is among the commands.';
}

function copyingOf(
  ask: AskOfCopy,
  of: CopyOfPart,
  tell: (done: number, all: number) => void,
): Work<FixedCopy | LivingCopy> {
  if (of.as !== 'living') return startWork('fixedCopy', ask, tell);
  const { sources, faces, own, copyOf, protection, dpi, withoutCut } = ask;
  const document = plainDocument(documentOf(of));
  return startWork(
    'livingCopy',
    {
      ...{ sources, document, faces, own, protection, dpi, withoutCut },
      madeAt: copyOf.madeAt,
    },
    tell,
  );
}

/** Null where no pictures are asked for. */
function drawingOf(
  { part, pictures }: CopyOfPart,
  copy: FixedCopy | LivingCopy,
  tell: (done: number, all: number) => void,
): Work<Blob> | null {
  if (!pictures) return null;
  const { picture, dpi } = pictures;
  const pages = part.document.pages.map(({ userUnit }, k) => ({
    name: fileStem(`page ${part.names[k]}`, 60) || `page ${k + 1}`,
    userUnit,
  }));
  const type = picture === 'png' ? 'image/png' : 'image/jpeg';
  const { area = null } = part;
  return startWork('pictures', { bytes: copy.bytes, dpi, type, pages, rest: 'notes', area }, tell);
}

/** Null where it was stopped. A proof that cannot be made is no reason to keep a copy back, but it is said. */
async function prove(
  { sources, notes, notesAt, faces, own, withoutCut }: AskOfCopy,
  of: CopyOfPart,
  copy: FixedCopy | LivingCopy,
  mine: Making,
  tell: (done: number, all: number) => void,
): Promise<Proved | null> {
  const document = documentOf(of);
  const proving = startWork(
    'prove',
    {
      ...{ sources, notesAt, faces, own, withoutCut },
      notes: of.as === 'living' ? [] : notes,
      living: of.as === 'living',
      document: plainDocument(document),
      drawn: drawingsKnown(document),
      annotated: 'annotatedPages' in copy ? copy.annotatedPages : [],
      smaller: copy.smaller?.places ?? [],
      copy: copy.bytes,
      password: of.protection?.password || null,
    },
    tell,
  );
  mine.work = proving;
  const result = await proving.result;
  if (result.ok) return result.value;
  return result.failure.kind === 'stopped' ? null : { proof: null, why: result.failure.message };
}
