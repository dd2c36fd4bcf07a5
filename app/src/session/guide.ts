import type { Page } from '@marginalis/core/document';
import {
  type OutlineEntry,
  outlinesOf,
  pageNames,
  proposeOutline,
  type SourceOutline,
} from '@marginalis/core/guide';
import { createStore } from 'zustand/vanilla';
import { keepHeadings, readHeadings } from '@/storage';
import type { PdfGuide, PrintReader } from '@/work';

export interface GuideState {
  /** Null until it has been read; empty where the file has none. */
  readonly outline: readonly OutlineEntry[] | null;
  /** The same of files whose pages were added, as far as they have been read. */
  readonly added: ReadonlyMap<string, readonly OutlineEntry[]>;
  /** What each page of the document is called, in order. */
  readonly names: readonly string[];
  /** Contents made of the headings of a document that has none of its own, now or another time; null until they are asked for. */
  readonly proposed: readonly OutlineEntry[] | null;
  /** Pages read for that and to be read; null while nothing is. */
  readonly proposing: { readonly read: number; readonly of: number } | null;
}

/** The way through the document: what its file says of it, and what its pages are called. */
export class Guide {
  readonly store;
  private readonly labels = new Map<string, readonly string[] | null>();

  constructor(private readonly pages: () => readonly Page[]) {
    this.store = createStore<GuideState>(() => ({
      outline: null,
      added: new Map(),
      names: [],
      proposed: null,
      proposing: null,
    }));
  }

  /** Reads what a file says whose pages were added. */
  async readAdded(source: string, file: Pick<PdfGuide, 'labels' | 'outline'>): Promise<void> {
    this.labels.set(source, await file.labels());
    this.name();
    const outline = await file.outline();
    if (outline.length === 0) return;
    const { added } = this.store.getState();
    this.store.setState({ added: new Map(added).set(source, outline) });
  }

  /** Reads what the file of the document says. */
  async read(source: string, file: Pick<PdfGuide, 'labels' | 'outline'>): Promise<void> {
    this.labels.set(source, await file.labels());
    this.name();
    const outline = await file.outline();
    this.store.setState({ outline, proposed: null });
    if (outline.length > 0) return;
    const headings = await readHeadings(source);
    if (headings) this.store.setState({ proposed: proposeOutline(headings) });
  }

  /** Makes contents of the headings of a source, and keeps them. @throws PrintError when it cannot be read */
  async propose(source: string, reader: Pick<PrintReader, 'headings'>): Promise<void> {
    if (this.store.getState().proposing) return;
    this.store.setState({ proposing: { read: 0, of: this.pages().length } });
    try {
      const headings = await reader.headings(({ read, of }) =>
        this.store.setState({ proposing: { read, of } }),
      );
      this.store.setState({ proposed: proposeOutline(headings) });
      await keepHeadings(source, headings);
    } finally {
      this.store.setState({ proposing: null });
    }
  }

  /** Names the pages anew: they have changed. */
  name = (): void => {
    this.store.setState({ names: this.namesOf(this.pages()) });
  };

  /** What pages in this order would be called. */
  namesOf = (pages: readonly Page[]): string[] =>
    pageNames(pages, (source) => this.labels.get(source) ?? null);

  /** See {@link outlinesIn}. */
  outlines = (leading: string): SourceOutline[] =>
    outlinesIn(this.store.getState(), this.pages(), leading);

  /** What a page, from 0, is called. */
  nameOf(index: number): string {
    return nameIn(this.store.getState().names, index);
  }
}

/** What a page, from 0, is called among the names of all. */
export const nameIn = (names: readonly string[], index: number): string =>
  names[index] ?? String(index + 1);

/** What the files say of the way through a document; of the one that leads what is made of its headings, where it says nothing. */
export function outlinesIn(
  { outline, proposed, added }: Pick<GuideState, 'outline' | 'proposed' | 'added'>,
  pages: readonly Page[],
  leading: string,
): SourceOutline[] {
  const own = outline && outline.length > 0 ? outline : (proposed ?? []);
  return outlinesOf({ pages }, leading, new Map(added).set(leading, own));
}
