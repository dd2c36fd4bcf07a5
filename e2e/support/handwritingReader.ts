import type { Page } from '@playwright/test';

/** Puts a reader of handwriting into the page, which reads everything as `text`, where it has been given strokes that go on. */
export async function standInReader(page: Page, text: string): Promise<void> {
  await page.addInitScript((read) => {
    class Stroke {
      readonly points: { x: number; y: number; t: number }[] = [];
      addPoint(point: { x: number; y: number; t: number }): void {
        this.points.push(point);
      }
    }
    const recognizer = {
      startDrawing() {
        const strokes: Stroke[] = [];
        return {
          addStroke: (stroke: Stroke) => strokes.push(stroke),
          getPrediction: () =>
            Promise.resolve(
              strokes.length > 0 && strokes.every(({ points }) => points.length > 1)
                ? [{ text: read }]
                : [],
            ),
        };
      },
      finish: () => undefined,
    };
    Object.assign(window, { HandwritingStroke: Stroke });
    Object.assign(navigator, { createHandwritingRecognizer: () => Promise.resolve(recognizer) });
  }, text);
}
