import { type PDFDocument, PDFName, PDFPage, PDFPageLeaf } from '@cantoo/pdf-lib';
import { type DocState, type Page, pagesOfSource, sourcesOfPages } from '../../document/index.ts';
import { refreshFieldAppearances } from '../fields.ts';
import { openPdf } from '../openPdf.ts';
import { arrangePages } from './arrange.ts';
import { type BroughtPages, bringPages } from './bringPages.ts';
import { Destinations } from './destinations.ts';
import { pageGeometry } from './geometry.ts';
import { clonePage, hasFields } from './clonePage.ts';
import { keepLabels, type Label, ownLabels, type PageFrom, readLabels } from './labels.ts';
import { joinOutlines, type OutlineRoot, outlineOf } from './outlineOf.ts';
import { pruneLeads } from './pruneLeads.ts';
import { pruneStructure } from '../tags/pruneStructure.ts';

/** The bytes of a source that pages of a document show. */
export interface Source {
  /** SHA-256 of the bytes, lower-case hex. */
  readonly sha: string;
  readonly bytes: Uint8Array;
  /** Opens a locked source. */
  readonly password?: string;
}

/** Thrown when a page shows a source that was not given. */
export class SourceMissing extends Error {
  override readonly name = 'SourceMissing';
}

/** A page of a document, and the page of the PDF that it is now. */
export interface GatheredPage {
  readonly page: Page;
  readonly pdf: PDFPage;
}

export interface GatheredPages {
  readonly pages: readonly GatheredPage[];
  /** A form of another source than the first is damaged. */
  readonly formDamaged: boolean;
  /** Links that led to pages which are not there. */
  readonly linksPruned: number;
}

/**
 * Makes the pages of `doc`, which is the first source opened, those of the document, in its order: pages of other
 * sources are copied in, paper is added. Links, outline and labels lead where they led.
 * @throws SourceMissing
 */
export async function gatherPages(
  doc: PDFDocument,
  sources: readonly Source[],
  document: DocState,
): Promise<GatheredPages> {
  const own = doc.getPages();
  const labels = readLabels(doc, own.length);
  const used = new Map<string, number>();
  const pages: GatheredPage[] = [];
  const from: (PageFrom | null)[] = [];
  // A document that names no page shows its source as it is.
  const wanted = document.pages.length > 0 ? document.pages : plainPages(sources[0].sha, own);
  const shelf = new Shelf(doc, own, sources, wanted);
  for (const page of wanted) {
    const { shows } = page;
    if ('paper' in shows) {
      from.push(null);
      pages.push({ page, pdf: emptyPage(doc, page) });
      continue;
    }
    const { source, index } = shows;
    const key = `${source} ${index}`;
    const round = used.get(key) ?? 0;
    used.set(key, round + 1);
    const isOwn = source === sources[0].sha;
    const pdf = isOwn && round === 0 ? own[index] : await shelf.page(source, index, round);
    if (!pdf) throw new SourceMissing('A page shows what is not in its source.');
    from.push({ index, labels: isOwn ? labels : await shelf.labelsOf(source) });
    pages.push({ page, pdf });
  }
  const row = pages.map(({ pdf }) => pdf);
  let linksPruned = 0;
  if (row.length !== own.length || row.some((pdf, i) => pdf !== own[i])) {
    keepLabels(doc, from);
    arrangePages(doc, row);
    const still = new Set(row);
    if (own.some((pdf) => !still.has(pdf))) {
      linksPruned = pruneLeads(doc, row);
      pruneStructure(doc, row);
    }
    linksPruned += await shelf.joinWays();
  }
  ownLabels(
    doc,
    pages.map(({ page }) => page),
  );
  return { pages, formDamaged: shelf.formDamaged, linksPruned };
}

const plainPages = (sha: string, own: readonly PDFPage[]): Page[] =>
  pagesOfSource(sha, own.map(pageGeometry), (index) => `page ${index}`);

function emptyPage(doc: PDFDocument, { box }: Page): PDFPage {
  const { context } = doc;
  const node = PDFPageLeaf.fromMapWithContext(new Map(), context, false);
  node.set(PDFName.of('Type'), PDFName.of('Page'));
  node.set(PDFName.of('MediaBox'), context.obj([box.minX, box.minY, box.maxX, box.maxY]));
  node.set(PDFName.of('Resources'), context.obj({}));
  return PDFPage.of(node, context.register(node), doc);
}

/** Pages that are not the document's own, or not for the first time. All pages of a source are copied at once, so that what they share is there once. */
class Shelf {
  private readonly brought = new Map<string, Promise<BroughtPages>>();
  formDamaged = false;

  constructor(
    private readonly into: PDFDocument,
    /** Its pages as they came. */
    private readonly own: readonly PDFPage[],
    private readonly sources: readonly Source[],
    private readonly wanted: readonly Page[],
  ) {}

  /** @param round how often the page has been shown before */
  async page(sha: string, index: number, round: number): Promise<PDFPage | undefined> {
    const isOwn = sha === this.sources[0].sha;
    const pages = isOwn ? null : (await this.of(sha)).pages;
    if (pages && round === 0) return pages.get(index);
    const first = pages ? pages.get(index) : this.own[index];
    if (!first || !hasFields(first)) return first && clonePage(this.into, first);
    const shown = this.shownOf(sha).flatMap((one) => {
      const ref = (pages ? pages.get(one) : this.own[one])?.ref;
      return ref ? [[one, ref] as const] : [];
    });
    const again = bringPages(this.into, await this.open(sha), [index], new Map(shown));
    return again.pages.get(index);
  }

  async labelsOf(sha: string): Promise<readonly Label[] | null> {
    return (await this.of(sha)).labels;
  }

  /**
   * The outlines and names of places of all sources become the document's.
   * @returns links of other sources that led to pages which did not come
   */
  async joinWays(): Promise<number> {
    const { into } = this;
    const own = outlineOf(into);
    const outlines: OutlineRoot[] = [];
    let pruned = 0;
    const destinations = new Destinations(into, into.getPages());
    // In the order in which their pages begin.
    for (const sha of sourcesOfPages(this.wanted)) {
      if (sha === this.sources[0].sha) {
        if (own) outlines.push(own);
        continue;
      }
      const { outline, names, linksPruned } = await this.of(sha);
      if (outline) outlines.push(outline);
      destinations.add(names);
      pruned += linksPruned;
    }
    joinOutlines(into, outlines);
    return pruned;
  }

  private shownOf(sha: string): number[] {
    const shown = this.wanted.flatMap(({ shows }) =>
      'source' in shows && shows.source === sha ? [shows.index] : [],
    );
    return [...new Set(shown)];
  }

  private of(sha: string): Promise<BroughtPages> {
    let pages = this.brought.get(sha);
    if (!pages) {
      pages = this.open(sha).then((other) => bringPages(this.into, other, this.shownOf(sha)));
      this.brought.set(sha, pages);
    }
    return pages;
  }

  private async open(sha: string): Promise<PDFDocument> {
    const source = this.sources.find((s) => s.sha === sha);
    if (!source) throw new SourceMissing('A page shows a source that is not at hand.');
    const doc = await openPdf(source.bytes, source.password);
    if (!refreshFieldAppearances(doc)) this.formDamaged = true;
    return doc;
  }
}
