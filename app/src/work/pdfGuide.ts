import { plainText } from '@marginalis/core/about';
import type { Box } from '@marginalis/core/geometry';
import { cornerOf, type FilePlace, type OutlineEntry } from '@marginalis/core/guide';
import type { FileLink } from '@marginalis/core/links';
import type * as pdfjs from 'pdfjs-dist';
import { loadPdfJs } from './loadPdfJs';
import { pictureBoxes } from './pictureBoxes';

/** A file made to harm may hold more; nobody reads more. */
const MOST_ENTRIES = 10_000;
const DEEPEST = 24;
const LONGEST = 500;
const MOST_LINKS = 2_000;
const MOST_PICTURES = 200;
/** Addresses that may be opened from a document; all others lead nowhere. */
const ADDRESS = /^(https?:\/\/|mailto:)/i;

interface RawEntry {
  readonly title: string;
  readonly dest: string | readonly unknown[] | null;
  readonly url: string | null;
  readonly count: number | undefined;
  readonly items: readonly RawEntry[];
}

/** What a file says of the way through it: its outline, the names of its pages, its links. */
export class PdfGuide {
  private named: Promise<Readonly<Record<string, unknown>>> | null = null;
  private numbers = new Map<string, Promise<number | null>>();

  /** Nothing is asked of the file before `begins`: its first page comes first. */
  constructor(
    private readonly doc: pdfjs.PDFDocumentProxy,
    private readonly begins: Promise<unknown>,
  ) {}

  /** Empty where the file has none, or a damaged one. */
  async outline(): Promise<readonly OutlineEntry[]> {
    await this.begins;
    const raw = (await orNothing(this.doc.getOutline())) as readonly RawEntry[] | null;
    let room = MOST_ENTRIES;
    const read = (entries: readonly RawEntry[], depth: number): Promise<OutlineEntry[]> => {
      const taken = depth < DEEPEST ? entries.slice(0, Math.max(0, room)) : [];
      room -= taken.length;
      return Promise.all(
        taken.map(async ({ title, dest, url, count = 0, items }) => ({
          title: plain(title),
          place: await this.placeOf(dest),
          address: addressOf(url),
          open: count >= 0,
          under: await read(items, depth + 1),
        })),
      );
    };
    return read(raw ?? [], 0);
  }

  /** The label of each page; null where the file gives them none. */
  async labels(): Promise<readonly string[] | null> {
    await this.begins;
    const labels = (await orNothing(this.doc.getPageLabels())) as readonly string[] | null;
    return labels?.map(plain) ?? null;
  }

  /** The links of a page, from 0. Those that would start a program, or run a script, are none. */
  async linksOn(index: number): Promise<readonly FileLink[]> {
    await this.begins;
    const page = await this.doc.getPage(index + 1);
    const all = (await page.getAnnotations()) as readonly Record<string, unknown>[];
    const links: FileLink[] = [];
    for (const { subtype, rect, dest, url } of all.slice(0, MOST_LINKS)) {
      if (subtype !== 'Link' || !Array.isArray(rect) || !rect.every(Number.isFinite)) continue;
      const [x0, y0, x1, y1] = rect as number[];
      const place = await this.placeOf(dest as RawEntry['dest']);
      const address = addressOf(url);
      if (!place && !address) continue;
      const area = {
        minX: Math.min(x0, x1),
        minY: Math.min(y0, y1),
        maxX: Math.max(x0, x1),
        maxY: Math.max(y0, y1),
      };
      links.push({ area, place, address });
    }
    return links;
  }

  /** Where pictures stand on a page, from 0: boxes in user space. */
  async picturesOn(index: number): Promise<readonly Box[]> {
    const { OPS } = await loadPdfJs();
    const page = await this.doc.getPage(index + 1);
    const { fnArray, argsArray } = await page.getOperatorList();
    return pictureBoxes(fnArray, argsArray as unknown[][], OPS).slice(0, MOST_PICTURES);
  }

  /** Where a destination, or the name of one, leads; null where that is nowhere in the file. */
  private async placeOf(dest: RawEntry['dest'] | undefined): Promise<FilePlace | null> {
    if (!dest) return null;
    if (typeof dest === 'string') {
      this.named ??= orNothing(this.doc.getDestinations()).then(
        (all) => (all ?? {}) as Readonly<Record<string, unknown>>,
      );
      const all = await this.named;
      const explicit = Object.hasOwn(all, dest) ? all[dest] : null;
      return Array.isArray(explicit) ? this.placeOf(explicit) : null;
    }
    const [target, fit, ...numbers] = dest;
    const page = await this.numberOf(target);
    if (page === null || page < 0 || page >= this.doc.numPages) return null;
    const { name } = (fit ?? {}) as { name?: unknown };
    return { page, ...cornerOf(typeof name === 'string' ? name : '', numbers) };
  }

  private numberOf(target: unknown): Promise<number | null> | number | null {
    if (typeof target === 'number') return Number.isInteger(target) ? target : null;
    const { num, gen } = (target ?? {}) as { num?: unknown; gen?: unknown };
    if (typeof num !== 'number' || typeof gen !== 'number') return null;
    const key = `${num} ${gen}`;
    let number = this.numbers.get(key);
    if (!number) {
      number = orNothing(this.doc.getPageIndex({ num, gen }));
      this.numbers.set(key, number);
    }
    return number;
  }
}

/** What a damaged file cannot say is not there. */
const orNothing = <T>(asked: Promise<T>): Promise<T | null> =>
  asked.catch((e: unknown) => {
    console.warn('A part of the document was not read.', e);
    return null;
  });

const addressOf = (url: unknown): string | null =>
  typeof url === 'string' && ADDRESS.test(url) ? url : null;

/** As one line that can be shown. */
const plain = (text: unknown): string => plainText(text, LONGEST) ?? '';
