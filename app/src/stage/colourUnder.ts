/** The layers of a page from the paper upwards, as `StagePage` makes them. */
const isHighlight = (canvas: Element): boolean =>
  canvas.closest('[data-layer=highlights]') !== null;

/**
 * The colour that a person sees at a place of the screen on a page (`#rrggbb`): paper, highlights multiplied
 * onto it, ink over both. White where the page is not drawn yet.
 */
export function colourUnder(page: Element, clientX: number, clientY: number): string {
  let colour = [255, 255, 255];
  for (const canvas of page.querySelectorAll('canvas')) {
    const r = canvas.getBoundingClientRect();
    if (clientX < r.left || clientX >= r.right || clientY < r.top || clientY >= r.bottom) continue;
    const x = Math.floor(((clientX - r.left) / r.width) * canvas.width);
    const y = Math.floor(((clientY - r.top) / r.height) * canvas.height);
    const pixel = canvas.getContext('2d')?.getImageData(x, y, 1, 1).data;
    if (!pixel) continue;
    const alpha = pixel[3] / 255;
    const multiplied = isHighlight(canvas);
    colour = colour.map((below, k) => {
      const over = multiplied ? (below * pixel[k]) / 255 : pixel[k];
      return below + alpha * (over - below);
    });
  }
  return `#${colour.map((c) => Math.round(c).toString(16).padStart(2, '0')).join('')}`;
}
