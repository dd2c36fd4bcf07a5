import { type Box, PAPER_TILING, type Tile } from '@marginalis/core/geometry';
import type { PictureJob } from '@/work';
import type { PaperSource } from './paperSource';
import type { KeptPapers } from './KeptPapers';
import { dropCanvas, type PagePicture } from './pagePicture';
import { stillPicture } from './stillPicture';

interface Sheet {
  readonly tile: Tile;
  paper: HTMLCanvasElement | null;
  job: PictureJob | null;
}

/** The print of a page; the old paper stays until the new one is ready. */
export class PaperPainter {
  private picture: PagePicture | null = null;
  private sheets = new Map<string, Sheet>();
  /** Paper of an earlier scale, stretched until the new one has come. */
  private stale: HTMLCanvasElement[] = [];
  /** Distance of this page from the middle of the window; the nearest is drawn first. */
  private distance = 0;

  constructor(
    private readonly holder: HTMLElement,
    private readonly source: PaperSource,
    private readonly papers: KeptPapers,
    /** Called when the paper seen is complete. */
    private readonly onDrawn: () => void,
  ) {}

  /** `seen` in display points of the page. */
  show(picture: PagePicture, seen: Box, distance: number): void {
    this.distance = distance;
    if (picture !== this.picture) this.startPicture(picture);
    const wanted = picture.tiles(seen, PAPER_TILING);
    for (const [key, sheet] of this.sheets) {
      if (wanted.has(key)) continue;
      this.dropSheet(sheet);
      this.sheets.delete(key);
    }
    for (const [key, tile] of wanted) if (!this.sheets.has(key)) this.addSheet(picture, tile);
  }

  release(): void {
    for (const sheet of this.sheets.values()) this.dropSheet(sheet);
    this.sheets.clear();
    this.dropStale();
    this.picture = null;
    this.source.forget();
  }

  private startPicture(picture: PagePicture): void {
    for (const sheet of this.sheets.values()) {
      if (sheet.paper) this.stale.push(sheet.paper);
      sheet.paper = null;
      this.dropSheet(sheet);
    }
    this.sheets.clear();
    this.picture = picture;
  }

  private addSheet(picture: PagePicture, tile: Tile): void {
    const kept = this.papers.take(picture.page, picture.scale, tile);
    if (kept) {
      const sheet: Sheet = { tile, paper: null, job: null };
      this.sheets.set(tile.key, sheet);
      this.lay(picture, sheet, kept);
      return this.look();
    }
    const job = this.source.request(picture, tile, () => this.distance);
    const sheet: Sheet = { tile, paper: null, job };
    this.sheets.set(tile.key, sheet);
    void job.picture.then(async (drawn) => {
      const paper = drawn && (await stillPicture(drawn));
      if (sheet.job !== job) return;
      sheet.job = null;
      if (paper) this.lay(picture, sheet, paper);
      this.look();
    });
  }

  private lay(picture: PagePicture, sheet: Sheet, paper: HTMLCanvasElement): void {
    picture.place(paper, sheet.tile);
    sheet.paper = paper;
    this.holder.append(paper);
  }

  /** Looks whether the paper is complete. */
  private look(): void {
    if (![...this.sheets.values()].every((s) => s.job === null)) return;
    this.dropStale();
    this.onDrawn();
  }

  private dropSheet(sheet: Sheet): void {
    const { job, paper, tile } = sheet;
    const { picture } = this;
    sheet.job = null;
    job?.drop();
    if (paper && picture) this.papers.put(picture.page, picture.scale, tile, paper);
  }

  private dropStale(): void {
    for (const canvas of this.stale) dropCanvas(canvas);
    this.stale = [];
  }
}
