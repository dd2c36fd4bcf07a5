import type { Printed } from '@marginalis/core/figures';
import { drawnDotNear, drawnRuleNear } from '@marginalis/core/print';
import type { Reader } from '@/shell';
import { printedDotOn } from '@/stage';

/** Reads what a page (from 0) draws, for figures to meet it. */
export function readPrinted({ session, stage }: Reader, index: number): void {
  // What cannot be read is looked for in the picture of the page.
  session.print.shapes(stage.pages[index]).catch(() => undefined);
}

/** What figures meet on a page: what it draws, and dots that are seen only, in type or on a scan. */
export function printedOn({ session, stage }: Reader, index: number): Printed {
  const shapes = session.print.knownShapes(stage.pages[index]);
  const seen = printedDotOn(stage, index);
  return {
    dot: (at, reach) => (shapes && drawnDotNear(shapes, at, reach)) ?? seen(at, reach),
    rule: (at, reach) => shapes && drawnRuleNear(shapes, at, reach),
  };
}
