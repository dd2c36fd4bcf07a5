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
import { markChanges } from './markChanges';
import { dropCanvas, type PagePicture } from './pagePicture';
import { paintDrawing } from './paintDrawing';

/** The canvases of one tile; made when there is something to show on them. */
interface Slip {
  readonly tile: Tile;
  light: HTMLCanvasElement | null;
  ink: HTMLCanvasElement | null;
}

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

  /** Ends listening for faces that come late. */
  private readonly unfollow: () => void;

  constructor(
    private readonly holders: MarkHolders,
    private readonly fonts: LoadedFonts,
  ) {
    this.unfollow = fonts.subscribe(() => this.paintAll());
  }

  /** `seen` in display points of the page. */
  show(picture: PagePicture, seen: Box): void {
    if (picture !== this.picture) this.dropAll();
    this.picture = picture;
    const wanted = picture.tiles(seen, MARK_TILING);
    for (const [key, slip] of this.slips) {
      if (wanted.has(key)) continue;
      this.drop(slip);
      this.slips.delete(key);
    }
    for (const [key, tile] of wanted) {
      if (this.slips.has(key)) continue;
      const slip: Slip = { tile, light: null, ink: null };
      this.slips.set(key, slip);
      this.paint(picture, slip, null);
    }
  }

  setMarks(marks: PageMarks, doomed: ReadonlySet<MarkId>): void {
    if (marks === this.marks && doomed === this.doomed) return;
    const { changed, onTop } = markChanges(this.marks, marks, this.doomed, doomed);
    this.marks = marks;
    this.doomed = doomed;
    const { picture } = this;
    if (!picture) return;
    for (const slip of this.slips.values()) {
      if (onTop) this.paintOnTop(picture, slip, onTop);
      else if (!isEmptyBox(changed)) this.paint(picture, slip, changed);
    }
  }

  release(): void {
    this.unfollow();
    this.dropAll();
    this.picture = null;
  }

  private paintAll(): void {
    const { picture } = this;
    if (picture) for (const slip of this.slips.values()) this.paint(picture, slip, null);
  }

  /** Marks the eraser touched are shown faintly until the pen is lifted. */
  private strength = ({ id }: Mark): number => (this.doomed.has(id) ? DOOMED : 1);

  /** Paints a tile's marks again, in `changed` (user space) only when it is given. */
  private paint(picture: PagePicture, slip: Slip, changed: Box | null): void {
    const { tile } = slip;
    const matrix = picture.matrixFor(tile);
    const whole = box(0, 0, tile.width, tile.height);
    const dirty = changed ? pixelBox(transformBox(matrix, changed)) : whole;
    const clip = intersectBoxes(whole, dirty);
    if (isEmptyBox(clip) || clip.maxX === clip.minX || clip.maxY === clip.minY) return;
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
      paintDrawing(ctx, drawing, matrix, { fonts: this.fonts });
      ctx.restore();
    }
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
    if (ctx) paintDrawing(ctx, layersFrom(here, this.strength).over, matrix, { fonts: this.fonts });
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
