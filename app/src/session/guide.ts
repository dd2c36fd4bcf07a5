import type { Page } from '@marginalis/core/document';
import { type OutlineEntry, pageNames } from '@marginalis/core/guide';
import { createStore } from 'zustand/vanilla';
import type { PdfGuide } from '@/work';

export interface GuideState {
  /** Null until it has been read; empty where the file has none. */
  readonly outline: readonly OutlineEntry[] | null;
  /** What each page of the document is called, in order. */
  readonly names: readonly string[];
}

/** The way through the document: what its file says of it, and what its pages are called. */
export class Guide {
  readonly store;
  private readonly labels = new Map<string, readonly string[] | null>();

  constructor(private readonly pages: () => readonly Page[]) {
    this.store = createStore<GuideState>(() => ({ outline: null, names: [] }));
  }

  /** Reads what the file of the document says. */
  async read(source: string, file: Pick<PdfGuide, 'labels' | 'outline'>): Promise<void> {
    this.labels.set(source, await file.labels());
    this.name();
    this.store.setState({ outline: await file.outline() });
  }

  /** Names the pages anew: they have changed. */
  name = (): void => {
    const names = pageNames(this.pages(), (source) => this.labels.get(source) ?? null);
    this.store.setState({ names });
  };

  /** What a page, from 0, is called. */
  nameOf(index: number): string {
    return this.store.getState().names[index] ?? String(index + 1);
  }
}
