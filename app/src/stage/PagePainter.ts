import type { PageMarks } from '@marginalis/core/document';
import {
  type Box,
  box,
  displayMatrix,
  displaySize,
  growBox,
  intersectBoxes,
  invertMatrix,
  isEmptyBox,
  type Matrix,
  type PageBox,
  thenMatrix,
  type Tile,
  tilesFor,
  transformBox,
  uniteBoxes,
  EMPTY_BOX,
} from '@marginalis/core/geometry';
import { boundsOf, layersOf } from '@marginalis/core/derived';
import type { Mark, MarkId } from '@marginalis/core/marks';
import { paintHighlights, paintOver } from './paintMarks';
import type { PdfPictures, PictureJob } from '@/work';

/** One tile of the page as it is shown: the paper from pdf.js, and the two layers of marks. */
interface Sheet {
  readonly tile: Tile;
  paper: HTMLCanvasElement | null;
  job: PictureJob | null;
  /** Made when there is something to show on them. */
  light: HTMLCanvasElement | null;
  ink: HTMLCanvasElement | null;
}

const NO_MARKS: PageMarks = new Map();
const NONE: ReadonlySet<MarkId> = new Set();

/** The boxes a page is made of, bottom up; highlights are multiplied onto the paper. */
export interface PageLayers {
  readonly paper: HTMLElement;
  readonly light: HTMLElement;
  readonly ink: HTMLElement;
}

/**
 * Keeps the pictures of one page right: draws what is seen at the scale wanted, leaves the old paper until
 * the new one is ready, repaints only the part of the marks that changed, and lets go of what is out of sight.
 */
export class PagePainter {
  /** Device pixels a point, and of the whole page at that. */
  private scale = 0;
  private width = 0;
  private height = 0;
  private sheets = new Map<string, Sheet>();
  /** Paper of an earlier scale, stretched until the new one has come. */
  private stale: HTMLCanvasElement[] = [];
  private marks: PageMarks = NO_MARKS;
  private doomed: ReadonlySet<MarkId> = NONE;
  /** Distance of this page from the middle of the window; the nearest is drawn first. */
  private distance = 0;

  constructor(
    private readonly layers: PageLayers,
    private readonly page: PageBox,
    private readonly index: number,
    private readonly pictures: PdfPictures,
    /** Called when the paper seen is complete. */
    private readonly onDrawn: () => void,
  ) {}

  /** `seen` in display points of this page; `scale` in device pixels a point. */
  show(scale: number, seen: Box, distance: number): void {
    this.distance = distance;
    const { width, height } = displaySize(this.page);
    if (scale !== this.scale) this.startScale(scale);
    this.width = Math.max(1, Math.round(width * scale));
    this.height = Math.max(1, Math.round(height * scale));
    const seenPixels = box(
      seen.minX * scale,
      seen.minY * scale,
      seen.maxX * scale,
      seen.maxY * scale,
    );
    const wanted = new Map(
      tilesFor(this.width, this.height, growBox(seenPixels, 256)).map((t) => [t.key, t]),
    );
    for (const [key, sheet] of this.sheets) {
      if (wanted.has(key)) continue;
      this.dropSheet(sheet);
      this.sheets.delete(key);
    }
    for (const [key, tile] of wanted) if (!this.sheets.has(key)) this.addSheet(tile);
  }

  setMarks(marks: PageMarks, doomed: ReadonlySet<MarkId>): void {
    if (marks === this.marks && doomed === this.doomed) return;
    const changed = changedBox(this.marks, marks, this.doomed, doomed);
    this.marks = marks;
    this.doomed = doomed;
    if (!isEmptyBox(changed)) for (const sheet of this.sheets.values()) this.paint(sheet, changed);
  }

  release(): void {
    for (const sheet of this.sheets.values()) this.dropSheet(sheet);
    this.sheets.clear();
    this.dropStale();
    this.scale = 0;
    this.pictures.forget(this.index);
  }

  private startScale(scale: number): void {
    for (const sheet of this.sheets.values()) {
      if (sheet.paper) this.stale.push(sheet.paper);
      sheet.paper = null;
      this.dropSheet(sheet);
    }
    this.sheets.clear();
    this.scale = scale;
  }

  private addSheet(tile: Tile): void {
    const sheet: Sheet = { tile, paper: null, job: null, light: null, ink: null };
    this.sheets.set(tile.key, sheet);
    this.paint(sheet, null);
    const job = this.pictures.request(this.index, this.scale, tile, () => this.distance);
    sheet.job = job;
    void job.picture.then((canvas) => {
      if (sheet.job !== job) return;
      sheet.job = null;
      if (canvas) {
        this.place(canvas, tile);
        sheet.paper = canvas;
        this.layers.paper.append(canvas);
      }
      if ([...this.sheets.values()].every((s) => s.job === null)) {
        this.dropStale();
        this.onDrawn();
      }
    });
  }

  /** From user space to the pixels of a tile. */
  private matrixFor(tile: Tile): Matrix {
    return thenMatrix(displayMatrix(this.page, this.scale), [1, 0, 0, 1, -tile.x, -tile.y]);
  }

  /** Repaints a tile's marks, in `changed` (user space) only when it is given. */
  private paint(sheet: Sheet, changed: Box | null): void {
    const { tile } = sheet;
    const matrix = this.matrixFor(tile);
    const whole = box(0, 0, tile.width, tile.height);
    const dirty = changed ? pixelBox(transformBox(matrix, changed)) : whole;
    const clip = intersectBoxes(whole, dirty);
    if (isEmptyBox(clip) || clip.maxX === clip.minX || clip.maxY === clip.minY) return;
    const seen = transformBox(invertMatrix(matrix), clip);
    const job = { marks: this.marks, doomed: this.doomed, matrix, seen };
    const { highlights, over } = layersOf(this.marks);
    if (highlights.length > 0) sheet.light ??= this.layer(this.layers.light, tile);
    if (over.length > 0) sheet.ink ??= this.layer(this.layers.ink, tile);
    for (const [canvas, draw] of [
      [sheet.light, paintHighlights],
      [sheet.ink, paintOver],
    ] as const) {
      const ctx = canvas?.getContext('2d');
      if (!ctx) continue;
      ctx.save();
      ctx.setTransform(1, 0, 0, 1, 0, 0);
      ctx.beginPath();
      ctx.rect(clip.minX, clip.minY, clip.maxX - clip.minX, clip.maxY - clip.minY);
      ctx.clip();
      ctx.clearRect(clip.minX, clip.minY, clip.maxX - clip.minX, clip.maxY - clip.minY);
      draw(ctx, job);
      ctx.restore();
    }
  }

  /** An empty canvas over a tile, in one of the layers of marks. */
  private layer(holder: HTMLElement, tile: Tile): HTMLCanvasElement {
    const canvas = document.createElement('canvas');
    canvas.width = tile.width;
    canvas.height = tile.height;
    this.place(canvas, tile);
    holder.append(canvas);
    return canvas;
  }

  /** In shares of the page, so that it stretches with the page while zooming. */
  private place(canvas: HTMLCanvasElement, tile: Tile): void {
    const percent = (part: number, whole: number): string => `${(100 * part) / whole}%`;
    Object.assign(canvas.style, {
      position: 'absolute',
      left: percent(tile.x, this.width),
      top: percent(tile.y, this.height),
      width: percent(tile.width, this.width),
      height: percent(tile.height, this.height),
    });
  }

  private dropSheet(sheet: Sheet): void {
    const { job } = sheet;
    sheet.job = null;
    job?.drop();
    for (const canvas of [sheet.paper, sheet.light, sheet.ink]) if (canvas) emptied(canvas);
  }

  private dropStale(): void {
    for (const canvas of this.stale) emptied(canvas);
    this.stale = [];
  }
}

/** Some browsers keep a canvas's memory until it is collected, unless it has no size. */
function emptied(canvas: HTMLCanvasElement): void {
  canvas.remove();
  canvas.width = 0;
  canvas.height = 0;
}

/** Whole pixels around a box, with one to spare for antialiasing. */
const pixelBox = (b: Box): Box =>
  box(Math.floor(b.minX) - 1, Math.floor(b.minY) - 1, Math.ceil(b.maxX) + 1, Math.ceil(b.maxY) + 1);

/** The part of the page, in user space, where two sets of marks differ. */
function changedBox(
  before: PageMarks,
  after: PageMarks,
  doomedBefore: ReadonlySet<MarkId>,
  doomedAfter: ReadonlySet<MarkId>,
): Box {
  let changed = EMPTY_BOX;
  const note = (mark: Mark): void => {
    changed = uniteBoxes(changed, boundsOf(mark));
  };
  for (const [id, mark] of before)
    if (after.get(id) !== mark || doomedBefore.has(id) !== doomedAfter.has(id)) note(mark);
  for (const [id, mark] of after) if (before.get(id) !== mark) note(mark);
  return changed;
}
