import { useCallback, useEffect, useState } from 'react';
import useSWR from 'swr';
import {
  addDemo,
  addDocument,
  DESK_KEY,
  deskDocuments,
  dropRemoved,
  renameDocument,
  seedDesk,
  useRemoval,
  takeInWhenOpened,
  type Added,
  type ReturnedCopy,
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

/** A file that lies on the desk already, and its bytes for a second document of it. */
interface Twice {
  readonly document: DeskDocument;
  readonly file: File;
}

/** A living copy that was marked further elsewhere, and the document that it belongs to. */
interface Back {
  readonly document: DeskDocument;
  readonly copy: ReturnedCopy;
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
export function useDesk(onOpen: (id: string) => void) {
  const { data, mutate } = useSWR(DESK_KEY, deskDocuments);
  const [adding, setAdding] = useState<string | null>('the desk');
  const [refusals, setRefusals] = useState<readonly Refusal[]>([]);
  const [said, setSaid] = useState<Said | null>(null);
  const refresh = useCallback(() => void mutate(), [mutate]);
  const removed = useRemoval((r) => r.last);

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

  const [twice, setTwice] = useState<readonly Twice[]>([]);
  const [back, setBack] = useState<readonly Back[]>([]);

  const report = useCallback((fileName: string, added: Added) => {
    if (!added.ok)
      setRefusals((all) => [
        ...all.filter((r) => r.fileName !== fileName),
        { fileName, message: added.message },
      ]);
    else if (added.document.rescued)
      setSaid({
        text: `“${added.document.title}” was cut short; what could be read of it was rescued.`,
      });
  }, []);

  const addFiles = useCallback(
    async (files: readonly File[], asSecond = false) => {
      // What was said of earlier files has been read.
      setRefusals([]);
      setTwice([]);
      setBack([]);
      let last: Added | null = null;
      for (const file of files) {
        setAdding(file.name);
        try {
          const bytes = new Uint8Array(await file.arrayBuffer());
          last = await addDocument(file.name, bytes, Date.now(), asSecond);
          if (last.ok && last.returned) {
            const { document, returned: copy } = last;
            setBack((all) => [...all, { document, copy }]);
          } else if (last.ok && last.already) {
            const { document } = last;
            setTwice((all) => [...all, { document, file }]);
          } else report(file.name, last);
        } catch (e) {
          report(file.name, {
            ok: false,
            message: `It could not be opened: ${e instanceof Error ? e.message : String(e)}`,
          });
        }
        refresh();
      }
      setAdding(null);
      // One file is meant to be read now; several stay on the desk.
      if (files.length === 1 && last?.ok && !last.already && !last.returned)
        onOpen(last.document.id);
    },
    [refresh, report, onOpen],
  );

  /** Does something with what is stored, and says so when storage refuses. */
  const attempt = async (trouble: string, act: () => Promise<void>): Promise<void> => {
    try {
      await act();
    } catch (e) {
      setSaid({ text: `${trouble}: ${e instanceof Error ? e.message : String(e)}` });
    }
  };

  const removal = useRemoval.getState();
  const undoRemoval = async (): Promise<void> => {
    await attempt(`“${removed?.title}” could not be put back`, removal.undo);
    refresh();
  };

  return {
    documents: data?.documents,
    unreadable: data?.unreadable ?? 0,
    adding,
    refusals,
    // What was removed, here or before one came back here, comes before other sentences: it can be undone.
    said: removed
      ? { text: `“${removed.title}” is off the desk.`, undo: () => void undoRemoval() }
      : said,
    addFiles,
    twice,
    forgetTwice: (one: Twice) => setTwice((all) => all.filter((t) => t !== one)),
    back,
    forgetBack: (one: Back) => setBack((all) => all.filter((b) => b !== one)),
    /** Opens the document of a copy that has come back, with what was done to that. */
    takeIn({ document, copy }: Back) {
      takeInWhenOpened(document.id, copy);
      onOpen(document.id);
    },
    /** Lays such a copy down as a document of its own, and opens that with what was done to it. */
    async layDown(one: Back) {
      const { copy } = one;
      setAdding(one.document.title);
      const added = await copy.layDown?.();
      setAdding(null);
      setBack((all) => all.filter((b) => b !== one));
      refresh();
      if (!added?.ok) return added && report(one.document.title, added);
      takeInWhenOpened(added.document.id, copy);
      onOpen(added.document.id);
    },
    forgetSaid: useCallback(() => {
      setSaid(null);
      useRemoval.getState().forget();
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
      await attempt(`“${document.title}” could not be removed`, () => removal.remove(document));
      refresh();
    },
  };
}
