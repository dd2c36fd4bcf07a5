import { type Page, pagesOfSource } from '@marginalis/core/document';
import { box } from '@marginalis/core/geometry';
import type { SharedDocument, VisitAsks } from '@marginalis/core/wire';
import { useEffect, useState } from 'react';
import { readPageSizes, readShared, readSharedFile, ServerError, VisitAsked } from '@/remote';
import type { DrawnPages } from '@/stage';
import { PdfPictures, PictureError } from '@/work';
import { ServedPages } from './ServedPages';

export interface Shown {
  readonly told: SharedDocument;
  readonly pages: readonly Page[];
  readonly drawn: DrawnPages;
  /** Set where the server draws the pages. */
  readonly served: ServedPages | null;
}

export type SharedState =
  | { phase: 'loading' }
  | { phase: 'asked'; asks: VisitAsks }
  | { phase: 'failed'; message: string }
  | { phase: 'shown'; shown: Shown };

const UNFORESEEN = 'Something went wrong while the document was fetched. Load this page again.';

/** The one source there is: what was shared. */
const SHARED = 'shared';

type Opened = Shown & { close(): void };

async function openShared(token: string, onTrouble: (message: string) => void): Promise<Opened> {
  const told = await readShared(token);
  return told.view
    ? openServed(token, told, onTrouble)
    : openFile(told, await readSharedFile(token));
}

async function openFile(told: SharedDocument, bytes: Uint8Array): Promise<Opened> {
  const pictures = await PdfPictures.open(bytes);
  return {
    told,
    pages: pagesOfSource(SHARED, await pictures.pageBoxes(), String),
    drawn: pictures,
    served: null,
    close: () => pictures.close(),
  };
}

async function openServed(
  token: string,
  told: SharedDocument,
  onTrouble: (message: string) => void,
): Promise<Opened> {
  const sizes = await readPageSizes(token);
  const boxes = sizes.map(({ width, height }) => ({
    box: box(0, 0, width, height),
    rotate: 0 as const,
    userUnit: 1,
  }));
  const served = new ServedPages(
    token,
    sizes.map(({ width }) => width),
    onTrouble,
  );
  const pages = pagesOfSource(SHARED, boxes, String);
  return { told, pages, drawn: served, served, close: () => served.close() };
}

/** What was shared under a token, opened. `onTrouble` hears, in words, of pages that do not come. */
export function useShared(token: string, onTrouble: (message: string) => void): SharedState {
  const [state, setState] = useState<SharedState>({ phase: 'loading' });
  useEffect(() => {
    let isGone = false;
    let close = (): void => undefined;
    openShared(token, onTrouble).then(
      (shown) => {
        if (isGone) return shown.close();
        close = () => shown.close();
        document.title = shown.told.title;
        return setState({ phase: 'shown', shown });
      },
      (e: unknown) => {
        if (isGone) return;
        if (e instanceof VisitAsked) return setState({ phase: 'asked', asks: e.asks });
        const isKnown = e instanceof ServerError || e instanceof PictureError;
        setState({ phase: 'failed', message: isKnown ? e.message : UNFORESEEN });
        if (!isKnown) console.error(e);
      },
    );
    return () => {
      isGone = true;
      close();
    };
  }, [token, onTrouble]);
  return state;
}
