import type { Page } from '@marginalis/core/document';
import type { PageId } from '@marginalis/core/marks';
import type { FindOptions, FoundOn, PrintedHit } from '@marginalis/core/print';
import { createStore } from 'zustand/vanilla';
import type { SearchNews } from '@/work';
import type { SourcePrint } from './sourcePrint';

/** A place of the document where the term stands. */
export interface SearchHit extends PrintedHit {
  readonly page: PageId;
}

export interface SearchState {
  /** Empty while nothing is looked for. */
  readonly term: string;
  readonly how: FindOptions;
  /** In the order of the document. */
  readonly hits: readonly SearchHit[];
  /** Hits that are counted but not listed. */
  readonly more: number;
  /** The hit one has gone to; null before. */
  readonly at: SearchHit | null;
  /** Pages read and to be read; null when all have been. */
  readonly reading: { readonly read: number; readonly of: number } | null;
  /** Pages on which nothing can be read. */
  readonly wordless: number;
  /** Why some of the document cannot be searched. */
  readonly trouble: string | null;
}

const NOTHING: SearchState = {
  term: '',
  how: {},
  hits: [],
  more: 0,
  at: null,
  reading: null,
  wordless: 0,
  trouble: null,
};

/** What was found in one source, by its page. */
interface SourceFound {
  readonly pages: Map<number, FoundOn>;
  news: Pick<SearchNews, 'read' | 'of' | 'done'>;
}

/** Looks for printed words in the whole document. */
export class DocumentSearch {
  readonly store = createStore<SearchState>(() => NOTHING);
  private found = new Map<string, SourceFound>();
  /** The hits on each page of the document, by its id, as long as nothing else is found there: a list that grows shows those it had as they are. */
  private readonly hitsOn = new Map<
    string,
    { readonly found: FoundOn; readonly hits: readonly SearchHit[] }
  >();
  /** Counts searches: what an earlier one still tells is not heard. */
  private searches = 0;

  constructor(
    private readonly print: SourcePrint,
    private readonly pages: () => readonly Page[],
  ) {}

  /** Looks for a term, from the page of the document (from 0) that is in sight; an empty one ends the search. */
  find(term: string, how: FindOptions, inSight: number): void {
    const own = ++this.searches;
    this.found = new Map();
    this.hitsOn.clear();
    if (term.trim() === '') return this.store.setState({ ...NOTHING, how });
    this.store.setState({ ...NOTHING, term, how });
    const firsts = new Map<string, number>();
    const pages = this.pages();
    for (const { shows } of [...pages.slice(inSight), ...pages])
      if (!('paper' in shows) && !firsts.has(shows.source)) firsts.set(shows.source, shows.index);
    for (const [source, first] of firsts) {
      const found: SourceFound = { pages: new Map(), news: { read: 0, of: Infinity } };
      this.found.set(source, found);
      const hear = (news: SearchNews): void => {
        if (own !== this.searches) return;
        for (const page of news.found) found.pages.set(page.page, page);
        found.news = news;
        this.gather();
      };
      this.print
        .readerOf(source)
        .search({ term, how, first }, hear)
        .catch((e: unknown) => {
          const trouble = e instanceof Error ? e.message : String(e);
          hear({ found: [], read: 0, of: 0, done: true });
          if (own === this.searches) this.store.setState({ trouble });
        });
    }
    this.gather();
  }

  /** The hit after the one that one is at, or before it, and round again; the first from the page in sight on where one is at none. */
  next(by: 1 | -1, inSight: number): SearchHit | null {
    const { hits, at } = this.store.getState();
    if (hits.length === 0) return null;
    const here = at ? hits.indexOf(at) : -1;
    let to = here + by;
    if (here < 0) {
      const number = new Map(this.pages().map(({ id }, k) => [id, k]));
      const ahead = hits.findIndex(({ page }) => (number.get(page) ?? 0) >= inSight);
      to = by > 0 ? Math.max(0, ahead) : (ahead < 0 ? hits.length : ahead) - 1;
    }
    return this.goTo(hits[(to + hits.length) % hits.length]);
  }

  goTo(hit: SearchHit): SearchHit {
    this.store.setState({ at: hit });
    return hit;
  }

  /** Puts what was found in the order of the document; again when its pages have changed. */
  gather = (): void => {
    const { term, at } = this.store.getState();
    if (term === '') return;
    const hits: SearchHit[] = [];
    let [more, wordless] = [0, 0];
    for (const { id, shows } of this.pages()) {
      if ('paper' in shows) continue;
      const found = this.found.get(shows.source)?.pages.get(shows.index);
      if (!found) continue;
      for (const hit of this.hitsOf(id, found)) hits.push(hit);
      more += found.more;
      if (found.wordless) wordless++;
    }
    const all = [...this.found.values()].map(({ news }) => news);
    const sum = (of: 'read' | 'of'): number => all.reduce((n, news) => n + news[of], 0);
    const reading = all.every(({ done }) => done) ? null : { read: sum('read'), of: sum('of') };
    const stays = at && hits.find(({ page, from }) => page === at.page && from === at.from);
    this.store.setState({ hits, more, wordless, reading, at: stays ?? null });
  };

  private hitsOf(page: string, found: FoundOn): readonly SearchHit[] {
    let known = this.hitsOn.get(page);
    if (known?.found !== found) {
      known = { found, hits: found.hits.map((hit) => ({ ...hit, page })) };
      this.hitsOn.set(page, known);
    }
    return known.hits;
  }
}
