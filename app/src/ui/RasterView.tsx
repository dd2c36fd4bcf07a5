import { useEffect, useRef } from 'react';

/** A picture made of pixels (red, green, blue, opacity), as wide as there is room for. */
export function RasterView(props: {
  label: string;
  raster: { readonly width: number; readonly height: number; readonly data: Uint8ClampedArray };
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
    const ctx = canvas.current?.getContext('2d');
    const { data, width, height } = raster;
    ctx?.putImageData(new ImageData(data as Uint8ClampedArray<ArrayBuffer>, width, height), 0, 0);
  }, [raster]);
  const share = (part: number): string => `${100 * part}%`;
  return (
    <div role="img" aria-label={label} style={{ position: 'relative', width: '100%' }}>
      <canvas
        ref={canvas}
        width={raster.width}
        height={raster.height}
        style={{ display: 'block', width: '100%', height: 'auto', background: '#ffffff' }}
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
