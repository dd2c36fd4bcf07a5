import { useEffect, useRef } from 'react';

interface Raster {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray;
}

/** A picture made of pixels (red, green, blue, opacity), as wide as there is room for. */
export function RasterView(props: {
  label: string;
  raster: Raster;
  /** Framed on it, in shares of its width and height. */
  frames?: readonly {
    readonly x: number;
    readonly y: number;
    readonly width: number;
    readonly height: number;
  }[];
  /** Of the frames. */
  colour?: string;
}) {
  const { label, raster, frames = [], colour } = props;
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const shown = canvas.current;
    if (!shown) return undefined;
    const watcher = new ResizeObserver(([{ contentRect }]) => {
      const width = Math.round(contentRect.width * devicePixelRatio);
      drawScaled(shown, raster, Math.min(raster.width, width));
    });
    watcher.observe(shown);
    return () => watcher.disconnect();
  }, [raster]);
  const share = (part: number): string => `${100 * part}%`;
  return (
    <div role="img" aria-label={label} style={{ position: 'relative', width: '100%' }}>
      <canvas
        ref={canvas}
        style={{
          display: 'block',
          width: '100%',
          aspectRatio: `${raster.width} / ${raster.height}`,
          background: '#ffffff',
        }}
      />
      {frames.map(({ x, y, width, height }, k) => (
        <div
          key={k}
          style={{
            position: 'absolute',
            left: share(x),
            top: share(y),
            width: share(width),
            height: share(height),
            minWidth: 8,
            minHeight: 8,
            margin: -3,
            border: `2px solid ${colour}`,
            borderRadius: 3,
          }}
        />
      ))}
    </div>
  );
}

const canvasOf = (width: number, height: number): HTMLCanvasElement =>
  Object.assign(document.createElement('canvas'), { width, height });

/** Draws a raster `wanted` pixels wide. Browsers leave pixels out when they make a picture much smaller: it is halved first. */
function drawScaled(
  canvas: HTMLCanvasElement,
  { data, width, height }: Raster,
  wanted: number,
): void {
  if (wanted < 1) return;
  let picture = canvasOf(width, height);
  const pixels = new ImageData(data as Uint8ClampedArray<ArrayBuffer>, width, height);
  picture.getContext('2d')?.putImageData(pixels, 0, 0);
  while (picture.width > 2 * wanted) {
    const half = canvasOf(Math.ceil(picture.width / 2), Math.ceil(picture.height / 2));
    half.getContext('2d')?.drawImage(picture, 0, 0, half.width, half.height);
    picture = half;
  }
  canvas.width = wanted;
  canvas.height = Math.max(1, Math.round((wanted * height) / width));
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
}
