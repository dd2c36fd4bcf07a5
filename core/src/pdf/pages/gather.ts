import { type PDFDocument, PDFName, PDFPage, PDFPageLeaf } from '@cantoo/pdf-lib';
import { type DocState, type Page, pagesOfSource } from '../../document/index.ts';
import { refreshFieldAppearances } from '../fields.ts';
import { openPdf } from '../openPdf.ts';
import { arrangePages } from './arrange.ts';
import { pageGeometry } from './geometry.ts';
import { clonePage, hasFields } from './clonePage.ts';
import { keepLabels, ownLabels } from './labels.ts';
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
  /** Links of the first source that led to pages which are not there. */
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
  const used = new Map<string, number>();
  const pages: GatheredPage[] = [];
  const from: (number | null)[] = [];
  // A document that names no page shows its source as it is.
  const wanted = document.pages.length > 0 ? document.pages : plainPages(sources[0].sha, own);
  const shelf = new Shelf(doc, sources, wanted);
  for (const page of wanted) {
    const { shows } = page;
    if ('paper' in shows) {
      from.push(null);
      pages.push({ page, pdf: emptyPage(doc, page) });
      continue;
    }
    const key = `${shows.source} ${shows.index}`;
    const round = used.get(key) ?? 0;
    used.set(key, round + 1);
    const isOwn = shows.source === sources[0].sha && round === 0;
    const pdf = isOwn ? own[shows.index] : await shelf.page(shows.source, shows.index, round);
    if (!pdf) throw new SourceMissing('A page shows what is not in its source.');
    from.push(isOwn ? shows.index : null);
    pages.push({ page, pdf });
  }
  const row = pages.map(({ pdf }) => pdf);
  let linksPruned = 0;
  if (row.length !== own.length || row.some((pdf, i) => pdf !== own[i])) {
    keepLabels(doc, own.length, from);
    arrangePages(doc, row);
    const still = new Set(row);
    if (own.some((pdf) => !still.has(pdf))) {
      linksPruned = pruneLeads(doc, row);
      pruneStructure(doc, row);
    }
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
  private readonly copied = new Map<string, Promise<ReadonlyMap<number, PDFPage>>>();
  formDamaged = false;

  constructor(
    private readonly into: PDFDocument,
    private readonly sources: readonly Source[],
    private readonly wanted: readonly Page[],
  ) {}

  /** @param round how often the page has been shown before */
  async page(sha: string, index: number, round: number): Promise<PDFPage | undefined> {
    const isOwn = sha === this.sources[0].sha;
    if (!isOwn && round === 0) return (await this.pagesOf(sha)).get(index);
    const first = isOwn ? this.into.getPages().at(index) : (await this.pagesOf(sha)).get(index);
    if (!first || !hasFields(first)) return first && clonePage(this.into, first);
    const [page] = await this.into.copyPages(await this.open(sha), [index]);
    return page;
  }

  private pagesOf(sha: string): Promise<ReadonlyMap<number, PDFPage>> {
    let pages = this.copied.get(sha);
    if (!pages) this.copied.set(sha, (pages = this.copy(sha)));
    return pages;
  }

  private async copy(sha: string): Promise<ReadonlyMap<number, PDFPage>> {
    const other = await this.open(sha);
    const count = other.getPages().length;
    const shown = this.wanted.flatMap(({ shows }) =>
      'source' in shows && shows.source === sha && shows.index < count ? [shows.index] : [],
    );
    const indices = [...new Set(shown)];
    const pages = await this.into.copyPages(other, indices);
    return new Map(indices.map((index, k) => [index, pages[k]]));
  }

  private async open(sha: string): Promise<PDFDocument> {
    const source = this.sources.find((s) => s.sha === sha);
    if (!source) throw new SourceMissing('A page shows a source that is not at hand.');
    const doc = await openPdf(source.bytes, source.password);
    if (!refreshFieldAppearances(doc)) this.formDamaged = true;
    return doc;
  }
}
