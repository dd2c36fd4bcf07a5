/** The layers of a page from the paper upwards, as `StagePage` makes them. */
const isHighlight = (canvas: Element): boolean =>
  canvas.closest('[data-layer=highlights]') !== null;

/**
 * The colour that a person sees at a place of the screen on a page (`#rrggbb`): paper, highlights multiplied
 * onto it, ink over both. White where the page is not drawn yet.
 */
export function colourUnder(page: Element, clientX: number, clientY: number): string {
  let colour = [255, 255, 255];
  // Paper cannot be read where it lies: its canvas only shows it.
  const spot = document.createElement('canvas');
  spot.width = spot.height = 1;
  const ctx = spot.getContext('2d', { willReadFrequently: true });
  if (!ctx) return '#ffffff';
  for (const canvas of page.querySelectorAll('canvas')) {
    const r = canvas.getBoundingClientRect();
    if (clientX < r.left || clientX >= r.right || clientY < r.top || clientY >= r.bottom) continue;
    const x = Math.floor(((clientX - r.left) / r.width) * canvas.width);
    const y = Math.floor(((clientY - r.top) / r.height) * canvas.height);
    ctx.clearRect(0, 0, 1, 1);
    ctx.drawImage(canvas, x, y, 1, 1, 0, 0, 1, 1);
    const pixel = ctx.getImageData(0, 0, 1, 1).data;
    const alpha = pixel[3] / 255;
    const multiplied = isHighlight(canvas);
    colour = colour.map((below, k) => {
      const over = multiplied ? (below * pixel[k]) / 255 : pixel[k];
      return below + alpha * (over - below);
    });
  }
  return `#${colour.map((c) => Math.round(c).toString(16).padStart(2, '0')).join('')}`;
}
