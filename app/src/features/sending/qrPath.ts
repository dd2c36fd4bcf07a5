import { create } from 'qrcode';

/** White around the modules, which readers need (ISO/IEC 18004, 6.3.8). */
const QUIET = 4;

/** The dark modules of a QR code as a path, one unit a module, runs of a row together; `side` has the white around them. */
export function qrPath(text: string): { readonly side: number; readonly path: string } {
  const { size, data } = create(text, { errorCorrectionLevel: 'M' }).modules;
  let path = '';
  for (let y = 0; y < size; y++)
    for (let x = 0; x < size; x++) {
      const from = x;
      while (x < size && data[y * size + x]) x++;
      if (x > from) path += `M${from + QUIET} ${y + QUIET}h${x - from}v1h${from - x}z`;
    }
  return { side: size + 2 * QUIET, path };
}
