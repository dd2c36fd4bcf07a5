import type { Covered } from '@marginalis/core/kinds';
import { REFUSALS } from '@marginalis/core/document';
import {
  type Box,
  box,
  boxHeight,
  boxWidth,
  type PageBox,
  type Tile,
} from '@marginalis/core/geometry';
import type * as pdfjs from 'pdfjs-dist';
import { loadPdfJs } from './loadPdfJs';
import { PdfAbout } from './pdfAbout';
import { PdfGuide } from './pdfGuide';

type PdfJs = typeof pdfjs;

/** A worker of pdf.js that has started and waits for a document. */
let spare: pdfjs.PDFWorker | null = null;

/** Loads pdf.js and starts a worker while nothing is asked of it, so that the next document opens at once. */
export async function warmPdfJs(): Promise<void> {
  const module = await loadPdfJs();
  spare ??= new module.PDFWorker();
}

/** Why pdf.js could not open a file. */
export class PictureError extends Error {
  override readonly name = 'PictureError';

  constructor(readonly reason: 'locked' | 'wrong-password' | 'damaged') {
    super(
      reason === 'damaged'
        ? 'This PDF is damaged, and its pages cannot be drawn.'
        : REFUSALS[reason],
    );
  }
}

/** A picture in the making. The promise stays open when the job is dropped. */
export interface PictureJob {
  readonly picture: Promise<HTMLCanvasElement | null>;
  drop(): void;
}

/** A page of the file as it is to be seen: turned by so much in all, and from where on, device pixels. */
export interface SeenPage {
  /** From 0. */
  readonly index: number;
  readonly rotation?: number;
  readonly x?: number;
  readonly y?: number;
  /** Where its print ends, where the page goes on beyond it; what a file draws beyond its pages is not seen. */
  readonly within?: Box;
  /** Annotations whose places marks take. */
  readonly covered?: readonly Covered[];
}

interface Waiting {
  readonly page: SeenPage;
  readonly scale: number;
  readonly tile: Tile;
  readonly urgency: () => number;
  finish(canvas: HTMLCanvasElement | null): void;
  dropped: boolean;
  task: pdfjs.RenderTask | null;
}

/** The page pictures of one PDF, drawn one at a time, the most urgent first. */
export class PdfPictures {
  private waiting: Waiting[] = [];
  private busy: Waiting | null = null;
  private closed = false;
  private covered: readonly string[] = [];
  private way: PdfGuide | null = null;
  private self: PdfAbout | null = null;
  /** Settled when the first picture has been drawn, or could not be. */
  private drawnFirst: () => void = () => undefined;
  private readonly firstDrawn = new Promise<void>((resolve) => (this.drawnFirst = resolve));

  private constructor(
    private readonly pdfjs: PdfJs,
    private readonly task: pdfjs.PDFDocumentLoadingTask,
    private readonly worker: pdfjs.PDFWorker,
    private readonly doc: pdfjs.PDFDocumentProxy,
  ) {}

  /**
   * Opens a PDF. The bytes are handed to pdf.js's worker and are not usable afterwards.
   * @throws PictureError
   */
  static async open(bytes: Uint8Array, password?: string): Promise<PdfPictures> {
    const pdfjs = await loadPdfJs();
    const worker = spare ?? new pdfjs.PDFWorker();
    spare = null;
    const task = pdfjs.getDocument({
      worker,
      data: bytes,
      ...(password === undefined ? {} : { password }),
      cMapUrl: '/pdfjs/cmaps/',
      standardFontDataUrl: '/pdfjs/standard_fonts/',
      wasmUrl: '/pdfjs/wasm/',
      iccUrl: '/pdfjs/iccs/',
      useSystemFonts: false,
      isEvalSupported: false,
      enableXfa: false,
    });
    try {
      return new PdfPictures(pdfjs, task, worker, await task.promise);
    } catch (e) {
      void task.destroy().then(() => worker.destroy());
      if (e instanceof Error && e.name === 'PasswordException')
        throw new PictureError(password === undefined ? 'locked' : 'wrong-password');
      throw new PictureError('damaged');
    }
  }

  get pageCount(): number {
    return this.doc.numPages;
  }

  /** What the file says is read without waiting for its first picture: none may be wanted of it. */
  readAtOnce(): void {
    this.drawnFirst();
  }

  /** What the file says of the way through it, once its first picture is drawn. */
  get guide(): PdfGuide {
    return (this.way ??= new PdfGuide(this.doc, this.firstDrawn));
  }

  /** Where the pictures of a page, from 0, are; in user space. */
  picturesOn(index: number): Promise<readonly Box[]> {
    return this.guide.picturesOn(index);
  }

  /** What the file says about itself. */
  get about(): PdfAbout {
    return (this.self ??= new PdfAbout(this.doc));
  }

  /** The geometry of every page, as pdf.js tells it. */
  async pageBoxes(): Promise<PageBox[]> {
    const boxes: PageBox[] = [];
    for (let n = 1; n <= this.doc.numPages; n++) {
      const { view, rotate, userUnit } = await this.doc.getPage(n);
      const turn = (((rotate % 360) + 360) % 360) as PageBox['rotate'];
      boxes.push({ box: box(view[0], view[1], view[2], view[3]), rotate: turn, userUnit });
    }
    return boxes;
  }

  /**
   * One tile of a page at `scale` device pixels a point; null when it was dropped or the
   * page cannot be drawn. `urgency` is asked whenever a place is free; the smallest number goes first.
   */
  request(page: SeenPage, scale: number, tile: Tile, urgency: () => number): PictureJob {
    let finish: (canvas: HTMLCanvasElement | null) => void = () => undefined;
    const picture = new Promise<HTMLCanvasElement | null>((resolve) => (finish = resolve));
    const job: Waiting = { page, scale, tile, urgency, finish, dropped: false, task: null };
    if (this.closed) finish(null);
    else this.waiting.push(job);
    void this.next();
    return {
      picture,
      drop: () => {
        job.dropped = true;
        job.task?.cancel();
        this.waiting = this.waiting.filter((w) => w !== job);
        finish(null);
      },
    };
  }

  /** Lets go of what pdf.js keeps of a page that is out of sight. */
  forget(page: number): void {
    if (this.closed || this.busy?.page.index === page) return;
    this.doc.getPage(page + 1).then(
      (p) => p.cleanup(),
      // Closed meanwhile: there is nothing left to let go of.
      () => undefined,
    );
  }

  close(): void {
    this.closed = true;
    for (const job of this.waiting) job.finish(null);
    this.waiting = [];
    this.busy?.task?.cancel();
    void this.task.destroy().then(() => this.worker.destroy());
  }

  private async next(): Promise<void> {
    if (this.busy || this.closed || this.waiting.length === 0) return;
    let best = 0;
    this.waiting.forEach((job, i) => {
      if (job.urgency() < this.waiting[best].urgency()) best = i;
    });
    const [job] = this.waiting.splice(best, 1);
    this.busy = job;
    try {
      job.finish(await this.draw(job));
    } catch {
      // Cancelled, or a page that cannot be drawn: it stays white, as it does in other viewers.
      job.finish(null);
    } finally {
      this.busy = null;
      this.drawnFirst();
      void this.next();
    }
  }

  /** pdf.js draws fields as they are in its storage, which is the document's: pages are drawn one at a time. */
  private cover(covered: readonly Covered[]): void {
    const { annotationStorage } = this.doc;
    for (const id of this.covered) annotationStorage.remove(id);
    this.covered = covered.map(({ object, state }) => {
      // As pdf.js calls an annotation that is an object of its own.
      const id = `${object}R`;
      annotationStorage.setValue(
        id,
        state === null ? { noView: true } : { value: state !== 'Off' },
      );
      return id;
    });
  }

  private async draw(job: Waiting): Promise<HTMLCanvasElement | null> {
    const { index, x = 0, y = 0, covered = [], within, ...turned } = job.page;
    const page = await this.doc.getPage(index + 1);
    if (job.dropped) return null;
    this.cover(covered);
    const canvas = document.createElement('canvas');
    canvas.width = job.tile.width;
    canvas.height = job.tile.height;
    job.task = page.render({
      canvas,
      viewport: page.getViewport({ scale: job.scale, ...turned }),
      transform: [1, 0, 0, 1, x - job.tile.x, y - job.tile.y],
      annotationMode: this.pdfjs.AnnotationMode.ENABLE_STORAGE,
      optionalContentConfigPromise: this.self?.changed,
    });
    await job.task.promise;
    if (within) clearBeyond(canvas, job.tile, within);
    return job.dropped ? null : canvas;
  }
}

/** Leaves white what of a tile lies beyond a box of its page. */
function clearBeyond(canvas: HTMLCanvasElement, { x, y, width, height }: Tile, within: Box): void {
  const ctx = canvas.getContext('2d');
  if (!ctx) return;
  ctx.setTransform(1, 0, 0, 1, 0, 0);
  ctx.fillStyle = '#ffffff';
  const beyond = new Path2D();
  beyond.rect(0, 0, width, height);
  beyond.rect(within.minX - x, within.minY - y, boxWidth(within), boxHeight(within));
  ctx.fill(beyond, 'evenodd');
}

/** A data URL of the first page, `width` pixels wide; null when it cannot be drawn. */
export async function firstPagePicture(
  pictures: PdfPictures,
  pageWidth: number,
  pageHeight: number,
  width: number,
): Promise<string | null> {
  const scale = width / pageWidth;
  const tile = { key: 'whole', x: 0, y: 0, width, height: Math.round(pageHeight * scale) };
  const canvas = await pictures.request({ index: 0 }, scale, tile, () => 0).picture;
  return canvas?.toDataURL('image/jpeg', 0.82) ?? null;
}
