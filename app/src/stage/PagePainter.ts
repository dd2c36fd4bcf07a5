import type { PageMarks } from '@marginalis/core/document';
import type { Box, PageBox } from '@marginalis/core/geometry';
import type { MarkId } from '@marginalis/core/marks';
import type { KeptPapers } from './KeptPapers';
import type { LoadedFonts } from './LoadedFonts';
import { type MarkHolders, MarkPainter } from './MarkPainter';
import { PagePicture } from './pagePicture';
import { PaperPainter } from './PaperPainter';
import type { PaperSource } from './paperSource';

/** The boxes a page is made of, bottom up. */
export interface PageLayers extends MarkHolders {
  readonly paper: HTMLElement;
}

/** Keeps the pictures of one page right: draws what is seen at the scale wanted, and lets go of the rest. */
export class PagePainter {
  private picture: PagePicture | null = null;
  private readonly paper: PaperPainter;
  private readonly marks: MarkPainter;

  constructor(
    layers: PageLayers,
    private readonly page: PageBox,
    source: PaperSource,
    papers: KeptPapers,
    fonts: LoadedFonts,
    /** Called when the paper seen is complete. */
    onDrawn: () => void,
  ) {
    this.paper = new PaperPainter(layers.paper, source, papers, onDrawn);
    this.marks = new MarkPainter(layers, fonts);
  }

  /** `seen` in display points of this page; `scale` in device pixels a point. */
  show(scale: number, seen: Box, distance: number): void {
    if (this.picture?.scale !== scale) this.picture = new PagePicture(this.page, scale);
    this.paper.show(this.picture, seen, distance);
    this.marks.show(this.picture, seen);
  }

  setMarks(marks: PageMarks, doomed: ReadonlySet<MarkId>): void {
    this.marks.setMarks(marks, doomed);
  }

  /** The paper is drawn anew when it is shown again: its source shows something else. */
  renew(): void {
    this.picture = null;
  }

  release(): void {
    this.paper.release();
    this.marks.release();
    this.picture = null;
  }
}
