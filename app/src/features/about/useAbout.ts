import type { PageCounts } from '@marginalis/core/about';
import { useEffect, useState } from 'react';
import { useReader } from '@/shell';
import type { AboutFile, Attachment, Layer } from '@/work';

export interface AboutDocument {
  /** Each null until it has been read. */
  readonly file: AboutFile | null;
  readonly attachments: readonly Attachment[] | null;
  readonly layers: readonly Layer[] | null;
  readonly counts: PageCounts | null;
  /** Pages read for that, and to be read. */
  readonly reading: { readonly read: number; readonly of: number } | null;
  /** What could not be read of it. */
  readonly trouble: string | null;
}

const NOTHING: AboutDocument = {
  file: null,
  attachments: null,
  layers: null,
  counts: null,
  reading: null,
  trouble: null,
};

/** What is known about the document that is open, as it is read; and a way to show its layers or not. */
export function useAbout(): AboutDocument & { showLayer: (id: string, shown: boolean) => void } {
  const { session, pictures, shell, thumbnails } = useReader();
  const { source } = session.desk;
  const [about, setAbout] = useState(NOTHING);
  useEffect(() => {
    let isGone = false;
    const put = (part: Partial<AboutDocument>): void => {
      if (!isGone) setAbout((before) => ({ ...before, ...part }));
    };
    const fail = (e: unknown): void => {
      console.warn('Something about the document was not read.', e);
      put({ trouble: 'Some of what the file says about itself cannot be read.' });
    };
    const self = pictures(source)?.about;
    self?.read().then((file) => put({ file }), fail);
    self?.attachments().then((attachments) => put({ attachments }), fail);
    self?.layers().then((layers) => put({ layers }), fail);
    session.print
      .readerOf(source)
      .pageCounts(({ read, of }) => put({ reading: { read, of } }))
      .then((counts) => put({ counts, reading: null }), fail);
    return () => {
      isGone = true;
    };
  }, [session, pictures, source]);
  const showLayer = (id: string, shown: boolean): void => {
    const show = async (): Promise<void> => {
      const self = pictures(source)?.about;
      await self?.show(id, shown);
      thumbnails.forget();
      for (const pane of Object.values(shell.panes.store.getState().held))
        if (pane?.session === session) pane.stage.renewPaper();
      const layers = (await self?.layers()) ?? null;
      setAbout((before) => ({ ...before, layers }));
    };
    show().catch((e: unknown) => {
      console.warn('A layer was not shown, or not hidden.', e);
      setAbout((before) => ({ ...before, trouble: 'This layer cannot be shown or hidden.' }));
    });
  };
  return { ...about, showLayer };
}
