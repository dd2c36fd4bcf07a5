import { useCallback, useEffect, useRef, useState } from 'react';
import useSWR from 'swr';
import {
  addDemo,
  addDocument,
  deskDocuments,
  dropRemoved,
  markInUse,
  putBack,
  removeDocument,
  renameDocument,
  seedDesk,
  type Added,
} from '@/session';
import type { DeskDocument } from '@/storage';
import { warmPdfJs } from '@/work';

interface Said {
  readonly text: string;
  readonly undo?: () => void;
}

interface Refusal {
  readonly fileName: string;
  readonly message: string;
}

/** Time for the desk itself to appear first, ms. */
const WARM_AFTER = 400;

let sweeping: Promise<void> | null = null;

/** Once a visit: drop what was removed last time, and lay out the samples on a new desk. */
async function prepareDesk(): Promise<void> {
  sweeping ??= dropRemoved().then(async () => {
    await seedDesk(Date.now());
  });
  await sweeping;
}

/** The documents on the desk and everything that can be done with them. */
export function useDesk() {
  const { data, mutate } = useSWR('desk', deskDocuments);
  const [adding, setAdding] = useState<string | null>('the desk');
  const [refusals, setRefusals] = useState<readonly Refusal[]>([]);
  const [said, setSaid] = useState<Said | null>(null);
  const refresh = useCallback(() => void mutate(), [mutate]);
  /** Ends the use of a document whose removal can be undone. */
  const endOffer = useRef<() => void>(() => undefined);

  useEffect(() => {
    prepareDesk()
      .catch((e: unknown) =>
        setSaid({
          text: `The sample documents could not be laid out: ${e instanceof Error ? e.message : String(e)}`,
        }),
      )
      .finally(() => {
        setAdding(null);
        refresh();
      });
  }, [refresh]);

  useEffect(() => {
    // While the person chooses; a failure shows when a document is opened.
    const warm = setTimeout(() => warmPdfJs().catch(() => undefined), WARM_AFTER);
    return () => clearTimeout(warm);
  }, []);

  const report = useCallback((fileName: string, added: Added) => {
    if (!added.ok)
      setRefusals((all) => [
        ...all.filter((r) => r.fileName !== fileName),
        { fileName, message: added.message },
      ]);
    else if (added.already) setSaid({ text: `“${added.document.title}” is already on the desk.` });
    else if (added.document.rescued)
      setSaid({
        text: `“${added.document.title}” was cut short; what could be read of it was rescued.`,
      });
  }, []);

  const addFiles = useCallback(
    async (files: readonly File[]) => {
      for (const file of files) {
        setAdding(file.name);
        try {
          const bytes = new Uint8Array(await file.arrayBuffer());
          report(file.name, await addDocument(file.name, bytes, Date.now()));
        } catch (e) {
          report(file.name, {
            ok: false,
            message: `It could not be opened: ${e instanceof Error ? e.message : String(e)}`,
          });
        }
        refresh();
      }
      setAdding(null);
    },
    [refresh, report],
  );

  /** Does something with what is stored, and says so when storage refuses. */
  const attempt = async (trouble: string, act: () => Promise<void>): Promise<void> => {
    try {
      await act();
    } catch (e) {
      setSaid({ text: `${trouble}: ${e instanceof Error ? e.message : String(e)}` });
    }
  };

  return {
    documents: data?.documents,
    unreadable: data?.unreadable ?? 0,
    adding,
    refusals,
    said,
    addFiles,
    forgetSaid: useCallback(() => {
      setSaid(null);
      endOffer.current();
    }, []),
    forgetRefusal: (fileName: string) =>
      setRefusals((all) => all.filter((r) => r.fileName !== fileName)),
    async addDemo(file: string, title: string) {
      setAdding(title);
      await attempt(`“${title}” could not be added`, async () =>
        report(title, await addDemo(file, title, Date.now())),
      );
      setAdding(null);
      refresh();
    },
    async rename(id: string, title: string) {
      await attempt('The new title could not be stored', () => renameDocument(id, title));
      refresh();
    },
    async remove(document: DeskDocument) {
      endOffer.current();
      // No other tab drops it while it can be put back here.
      endOffer.current = markInUse(document.id);
      await attempt(`“${document.title}” could not be removed`, async () => {
        await removeDocument(document.id);
        setSaid({
          text: `“${document.title}” is off the desk.`,
          undo: () =>
            void attempt(`“${document.title}” could not be put back`, () =>
              putBack(document.id),
            ).then(refresh),
        });
      });
      refresh();
    },
  };
}
