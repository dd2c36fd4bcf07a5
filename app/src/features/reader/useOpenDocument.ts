import { useCallback, useEffect, useState } from 'react';
import {
  type DocumentSession,
  leaveSession,
  noteWorkedOn,
  openSession,
  openSourceFile,
  passwordFor,
  SourceFiles,
  takeInAnswers,
  takeInWaiting,
  useSettings,
} from '@/session';
import { type DeskDocument, findDocument, readPlace } from '@/storage';
import type { Opened } from '@/shell';
import { ServerError } from '@/remote';
import type { SourcePictures } from '@/stage';

export type OpenedDocument =
  | { readonly phase: 'opening' }
  | { readonly phase: 'failed'; readonly message: string }
  | { readonly phase: 'locked'; readonly document: DeskDocument; retry(): void }
  /** Other programs have written on it, and nobody has said what is to become of that. */
  | {
      readonly phase: 'asking';
      readonly document: DeskDocument;
      readonly written: NonNullable<DeskDocument['written']>;
      retry(): void;
    }
  | {
      readonly phase: 'open';
      readonly session: DocumentSession;
      readonly pictures: SourcePictures;
      /** Where one was last; null at first. */
      readonly place: Opened['place'];
    };

const GONE =
  'It is not on this desk: it may have been removed, or the link belongs to another browser.';

/** Opens a document's marks and its page pictures; lets go of both when the screen closes. One screen, one `id`. */
export function useOpenDocument(id: string): OpenedDocument {
  const [opened, setOpened] = useState<OpenedDocument>({ phase: 'opening' });
  const [turn, setTurn] = useState(0);
  const retry = useCallback(() => {
    setOpened({ phase: 'opening' });
    setTurn((n) => n + 1);
  }, []);

  useEffect(() => {
    let closed = false;
    let close: () => void = () => undefined;
    const show = (next: OpenedDocument): void => {
      if (!closed) setOpened(next);
    };
    async function open(): Promise<void> {
      const document = await findDocument(id);
      if (!document || document.removed) return show({ phase: 'failed', message: GONE });
      if (document.locked && passwordFor(document.source) === undefined)
        return show({ phase: 'locked', document, retry });
      const { written } = document;
      if (written) return show({ phase: 'asking', document, written, retry });
      const place = await readPlace(id);
      // The instrument in hand last, and what fingers do, are among the settings.
      await useSettings.getState().ready();
      const file = await openSourceFile(document);
      if (closed) return file.close();
      const session = openSession(document);
      const files = new SourceFiles({
        // Whoever looked for it in vain looks again.
        onOpened(source, added) {
          const reads = source === session.leadingSource() ? 'read' : 'readAdded';
          if (reads === 'readAdded') added.readAtOnce();
          session.guide[reads](source, added.guide).catch(console.warn);
          setOpened((now) => (now.phase === 'open' ? { ...now, pictures: lookup() } : now));
        },
        onLocked: session.locks.found,
        onTrouble: session.notices.tell,
      });
      const deafen = session.locks.subscribe((source) => void files.again(source));
      files.hold(document.source, file);
      /** Another function each time, so that what was made with the one before is made anew. */
      const lookup = (): SourcePictures => (source) => files.of(source);
      void takeInWaiting(session).catch((e: unknown) =>
        session.notices.tell(
          `It could not be taken in. ${e instanceof Error ? e.message : ''}`.trim(),
        ),
      );
      takeInAnswers(session).catch((e: unknown) => {
        // Without a server they wait until it is asked again.
        if (!(e instanceof ServerError)) console.error(e);
      });
      // A file that does not tell the way is read without.
      session.guide.read(document.source, file.guide).catch(console.warn);
      // Another edition has contents of its own; so has the earlier one, when it is taken back.
      let leading = document.source;
      const unfollow = session.store.subscribe((now, before) => {
        if (now.document.pages === before.document.pages) return;
        const source = session.leadingSource();
        if (source === leading) return;
        leading = source;
        void files
          .ensure(source)
          .then((known) => known && session.guide.read(source, known.guide))
          .catch(console.warn);
      });
      close = () => {
        unfollow();
        deafen();
        files.close();
        void leaveSession(session);
      };
      const unsubscribe = session.store.subscribe((now, before) => {
        if (now.document !== before.document && before.phase === 'open') {
          unsubscribe();
          // The desk's order is all that is lost when storage refuses; that it does is said of the change itself.
          noteWorkedOn(id, Date.now()).catch(() => undefined);
        }
      });
      return show({ phase: 'open', session, pictures: lookup(), place });
    }
    open().catch((e: unknown) => {
      show({ phase: 'failed', message: e instanceof Error ? e.message : String(e) });
    });
    return () => {
      closed = true;
      close();
    };
  }, [id, turn, retry]);
  return opened;
}
