/** How bright the paper of a page is in a part of the screen: `x` and `y` its corner, `scale` pixels a CSS pixel. */
export function paperBrightness(
  page: Element,
  width: number,
  height: number,
  { x, y, scale }: { readonly x: number; readonly y: number; readonly scale: number },
): Uint8ClampedArray | null {
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  const ctx = canvas.getContext('2d', { willReadFrequently: true });
  if (!ctx) return null;
  ctx.fillStyle = '#ffffff';
  ctx.fillRect(0, 0, width, height);
  for (const paper of page.querySelectorAll<HTMLCanvasElement>('[data-layer=paper] canvas')) {
    const r = paper.getBoundingClientRect();
    ctx.drawImage(
      paper,
      (r.left - x) * scale,
      (r.top - y) * scale,
      r.width * scale,
      r.height * scale,
    );
  }
  const { data } = ctx.getImageData(0, 0, width, height);
  return Uint8ClampedArray.from(
    { length: width * height },
    (_, i) =>
      // Rec. 709 weights.
      0.2126 * data[4 * i] + 0.7152 * data[4 * i + 1] + 0.0722 * data[4 * i + 2],
  );
}
