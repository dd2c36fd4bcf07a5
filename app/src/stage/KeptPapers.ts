import type { PageBox, Tile } from '@marginalis/core/geometry';
import { dropCanvas } from './pagePicture';

/** All that is kept together, device pixels: 40 MB. */
const MOST = 10_000_000;

interface Paper {
  readonly page: PageBox;
  readonly scale: number;
  readonly tile: string;
  readonly canvas: HTMLCanvasElement;
}

/** Pictures of print that went out of sight a moment ago: leafing back and forth draws nothing again. */
export class KeptPapers {
  /** The latest first. */
  private papers: Paper[] = [];

  /** Takes a picture in, and lets go of the oldest where there are too many, and of those at another scale. */
  put(page: PageBox, scale: number, tile: Tile, canvas: HTMLCanvasElement): void {
    canvas.remove();
    let pixels = 0;
    this.papers = [{ page, scale, tile: tile.key, canvas }, ...this.papers].filter((paper) => {
      pixels += paper.canvas.width * paper.canvas.height;
      if (paper.scale === scale && pixels <= MOST) return true;
      dropCanvas(paper.canvas);
      return false;
    });
  }

  /** Gives a picture away; null where it is not kept. */
  take(page: PageBox, scale: number, tile: Tile): HTMLCanvasElement | null {
    const found = this.papers.find(
      (p) => p.page === page && p.scale === scale && p.tile === tile.key,
    );
    this.papers = this.papers.filter((p) => p !== found);
    return found?.canvas ?? null;
  }

  /** Those of a page are no longer what it shows. */
  forget(page: PageBox): void {
    this.papers = this.papers.filter((paper) => {
      if (paper.page === page) dropCanvas(paper.canvas);
      return paper.page !== page;
    });
  }

  clear(): void {
    for (const { canvas } of this.papers) dropCanvas(canvas);
    this.papers = [];
  }
}
