import {
  type Box,
  box,
  boxesMeet,
  intersectBoxes,
  invertMatrix,
  isEmptyBox,
  MARK_TILING,
  type Tile,
  transformBox,
} from '@marginalis/core/geometry';
import { boundsOf, layersFrom, layersMeeting } from '@marginalis/core/derived';
import type { PageMarks } from '@marginalis/core/document';
import type { Mark } from '@marginalis/core/kinds';
import type { MarkId } from '@marginalis/core/marks';
import type { LoadedFonts } from './LoadedFonts';
import type { LoadedPictures } from './LoadedPictures';
import { markChanges } from './markChanges';
import { dropCanvas, type PagePicture } from './pagePicture';
import { pagePictures } from './pagePictures';
import { type DrawingFiles, paintDrawing } from './paintDrawing';

/** The canvases of one tile; made when there is something to show on them. */
interface Slip {
  readonly tile: Tile;
  light: HTMLCanvasElement | null;
  ink: HTMLCanvasElement | null;
  /** So many of its rows are painted, from the top; the rest before they are seen. */
  painted: number;
}

/** What will soon be seen is painted so many rows at a time, until so many shapes are painted in a frame. */
const BAND = 32;
const SHAPES_A_FRAME = 48;
/** And so far ahead, device pixels. */
const AHEAD = 512;

/** What marks are drawn in, bottom up; highlights are multiplied onto the paper. */
export interface MarkHolders {
  readonly light: HTMLElement;
  readonly ink: HTMLElement;
}

const NO_MARKS: PageMarks = new Map();
const NONE: ReadonlySet<MarkId> = new Set();
/** How much is left to see of a mark that the eraser would take. */
const DOOMED = 0.18;

/** The marks of one page, as small canvases, of which only the part that changed is painted again. */
export class MarkPainter {
  private picture: PagePicture | null = null;
  private slips = new Map<string, Slip>();
  private marks: PageMarks = NO_MARKS;
  private doomed: ReadonlySet<MarkId> = NONE;
  /** The frame in which painting goes on; 0 when nothing is left to paint. */
  private frame = 0;

  /** End listening for faces and pictures that come late. */
  private readonly unfollow: readonly (() => void)[];

  constructor(
    private readonly holders: MarkHolders,
    private readonly fonts: LoadedFonts,
    private readonly pictures: LoadedPictures = pagePictures,
  ) {
    const again = (): void => this.paintAll();
    this.unfollow = [fonts.subscribe(again), pictures.subscribe(again)];
  }

  /** `seen` in display points of the page. */
  show(picture: PagePicture, seen: Box): void {
    if (picture !== this.picture) this.dropAll();
    this.picture = picture;
    const wanted = picture.tiles(seen, MARK_TILING, AHEAD);
    const inSight = picture.tiles(seen, MARK_TILING, 0);
    for (const [key, slip] of this.slips) {
      if (wanted.has(key)) continue;
      this.drop(slip);
      this.slips.delete(key);
    }
    for (const [key, tile] of wanted) {
      const slip = this.slips.get(key) ?? { tile, light: null, ink: null, painted: 0 };
      this.slips.set(key, slip);
      if (inSight.has(key)) this.paintRows(picture, slip, tile.height);
    }
    if (!this.frame) this.paintAhead();
  }

  setMarks(marks: PageMarks, doomed: ReadonlySet<MarkId>): void {
    if (marks === this.marks && doomed === this.doomed) return;
    const before = { marks: this.marks, doomed: this.doomed };
    this.marks = marks;
    this.doomed = doomed;
    const { picture } = this;
    // Nothing is painted yet that could differ.
    if (!picture || this.slips.size === 0) return;
    const { changed, onTop } = markChanges(before.marks, marks, before.doomed, doomed);
    for (const slip of this.slips.values()) {
      if (onTop) this.paintOnTop(picture, slip, onTop);
      else if (!isEmptyBox(changed)) this.paint(picture, slip, changed);
    }
  }

  release(): void {
    for (const end of this.unfollow) end();
    cancelAnimationFrame(this.frame);
    this.frame = 0;
    this.dropAll();
    this.picture = null;
  }

  private get files(): DrawingFiles {
    return { fonts: this.fonts, picture: this.pictures.picture };
  }

  private paintAll(): void {
    const { picture } = this;
    if (picture) for (const slip of this.slips.values()) this.paint(picture, slip, null);
  }

  /** Marks the eraser touched are shown faintly until the pen is lifted. */
  private strength = ({ id }: Mark): number => (this.doomed.has(id) ? DOOMED : 1);

  /** Paints some of what is not in sight yet, and the rest in the frames that follow: a page full of ink would hold one up. */
  private paintAhead = (): void => {
    this.frame = 0;
    const { picture } = this;
    if (!picture) return;
    let shapes = 0;
    for (const slip of this.slips.values())
      while (slip.painted < slip.tile.height) {
        if (shapes > SHAPES_A_FRAME) {
          this.frame = requestAnimationFrame(this.paintAhead);
          return;
        }
        shapes += this.paintRows(picture, slip, slip.painted + BAND);
      }
  };

  /** Paints the rows of a tile that are not painted yet, up to one of them; how many shapes that took. */
  private paintRows(picture: PagePicture, slip: Slip, to: number): number {
    const from = slip.painted;
    slip.painted = Math.min(to, slip.tile.height);
    return this.paintPart(picture, slip, box(0, from, slip.tile.width, slip.painted));
  }

  /** Paints a tile's marks again where `changed` (user space) reaches, everywhere without it. */
  private paint(picture: PagePicture, slip: Slip, changed: Box | null): void {
    const whole = box(0, 0, slip.tile.width, slip.painted);
    const dirty = changed && pixelBox(transformBox(picture.matrixFor(slip.tile), changed));
    this.paintPart(picture, slip, dirty ? intersectBoxes(whole, dirty) : whole);
  }

  /** Paints a part of a tile (its own pixels); how many shapes that took. */
  private paintPart(picture: PagePicture, slip: Slip, clip: Box): number {
    const { tile } = slip;
    if (isEmptyBox(clip) || clip.maxX === clip.minX || clip.maxY === clip.minY) return 0;
    const matrix = picture.matrixFor(tile);
    const seen = transformBox(invertMatrix(matrix), clip);
    const { beneath, over } = layersMeeting(this.marks, seen, this.strength);
    if (!slip.light && beneath.length > 0)
      slip.light = this.canvas(picture, this.holders.light, tile);
    if (!slip.ink && over.length > 0) slip.ink = this.canvas(picture, this.holders.ink, tile);
    for (const [canvas, drawing] of [
      [slip.light, beneath],
      [slip.ink, over],
    ] as const) {
      const ctx = canvas?.getContext('2d');
      if (!ctx) continue;
      ctx.save();
      ctx.setTransform(1, 0, 0, 1, 0, 0);
      ctx.beginPath();
      ctx.rect(clip.minX, clip.minY, clip.maxX - clip.minX, clip.maxY - clip.minY);
      ctx.clip();
      ctx.clearRect(clip.minX, clip.minY, clip.maxX - clip.minX, clip.maxY - clip.minY);
      paintDrawing(ctx, drawing, matrix, this.files);
      ctx.restore();
    }
    return beneath.length + over.length;
  }

  /** Adds marks to what is painted; they lie over all of it. */
  private paintOnTop(picture: PagePicture, slip: Slip, marks: readonly Mark[]): void {
    const { tile } = slip;
    const matrix = picture.matrixFor(tile);
    const seen = transformBox(invertMatrix(matrix), box(0, 0, tile.width, tile.height));
    const here = marks.filter((mark) => boxesMeet(boundsOf(mark), seen));
    if (here.length === 0) return;
    slip.ink ??= this.canvas(picture, this.holders.ink, tile);
    const ctx = slip.ink.getContext('2d');
    if (ctx) paintDrawing(ctx, layersFrom(here, this.strength).over, matrix, this.files);
  }

  /** An empty canvas over a tile. */
  private canvas(picture: PagePicture, holder: HTMLElement, tile: Tile): HTMLCanvasElement {
    const canvas = document.createElement('canvas');
    canvas.width = tile.width;
    canvas.height = tile.height;
    picture.place(canvas, tile);
    holder.append(canvas);
    this.blend();
    return canvas;
  }

  private dropAll(): void {
    for (const slip of this.slips.values()) this.drop(slip);
    this.slips.clear();
  }

  private drop({ light, ink }: Slip): void {
    for (const canvas of [light, ink]) if (canvas) dropCanvas(canvas);
    this.blend();
  }

  /** Blending makes the browser draw the whole page in every frame, so it is asked for only where it shows. */
  private blend(): void {
    const { light } = this.holders;
    light.style.mixBlendMode = light.childElementCount > 0 ? 'multiply' : 'normal';
  }
}

/** Whole pixels around a box, with one to spare for antialiasing. */
const pixelBox = (b: Box): Box =>
  box(Math.floor(b.minX) - 1, Math.floor(b.minY) - 1, Math.ceil(b.maxX) + 1, Math.ceil(b.maxY) + 1);
