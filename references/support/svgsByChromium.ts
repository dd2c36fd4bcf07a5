import { PNG } from 'pngjs';
import { shotByChromium } from './byChromium';
import type { Picture } from './pictures';

/** CSS pixels to the point. */
const CSS = 96 / 72;

/** SVGs as Chromium draws them, each within a drawing of a sheet of its own, so many points wide and high: elements of a page are laid onto whole pixels. */
export function svgsByChromium(
  svgs: readonly string[],
  { width, height, dpi }: { width: number; height: number; dpi: number },
): Picture[] {
  const size = `width="${width * CSS}" height="${height * CSS}" viewBox="0 0 ${width} ${height}"`;
  const sheets = svgs.map((svg) => `<svg ${size} style="display: block">${svg}</svg>`);
  const png = PNG.sync.read(
    shotByChromium(`<body style="margin: 0; background: #ffffff">${sheets.join('')}</body>`, {
      width: width * CSS,
      height: height * CSS * svgs.length,
      scale: dpi / 96,
    }),
  );
  const [wide, high] = [(width * dpi) / 72, (height * dpi) / 72];
  return svgs.map((_, k) => ({
    ...{ width: wide, height: high },
    data: new Uint8Array(png.data.subarray(4 * wide * high * k, 4 * wide * high * (k + 1))),
  }));
}
