import type { Page } from '@playwright/test';

/** Where anything is drawn on a layer's first canvas, CSS pixels of the window; nothing is 0 wide. */
export function inkSeen(page: Page, layer: string): Promise<{ x: number; width: number }> {
  return page.locator(`canvas[data-layer=${layer}]`).evaluate((element) => {
    const canvas = element as HTMLCanvasElement;
    const ctx = canvas.getContext('2d');
    if (!ctx) throw new Error('The browser gives no canvas.');
    const { data, width } = ctx.getImageData(0, 0, canvas.width, canvas.height);
    const columns = Array.from(data).flatMap((v, i) =>
      i % 4 === 3 && v > 0 ? [(i >> 2) % width] : [],
    );
    const seen = canvas.getBoundingClientRect();
    if (columns.length === 0) return { x: 0, width: 0 };
    const scale = seen.width / width;
    const [from, to] = columns.reduce(([a, b], c) => [Math.min(a, c), Math.max(b, c)], [width, 0]);
    return { x: seen.left + scale * from, width: scale * (to + 1 - from) };
  });
}
