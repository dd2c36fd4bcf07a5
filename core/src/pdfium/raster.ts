/** A picture, four bytes a pixel (red, green, blue, opacity), row by row from the top. */
export interface Raster {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray;
}

/** A window onto a page, pixels, y down. */
export interface Window {
  readonly width: number;
  readonly height: number;
  /** Where the whole page lies in it, as it is turned: whole pixels; it may reach beyond. */
  readonly page: {
    readonly x: number;
    readonly y: number;
    readonly width: number;
    readonly height: number;
  };
  /** How far the page is turned beside its own turn, clockwise, degrees. */
  readonly turn: 0 | 90 | 180 | 270;
}

/** A window onto a page that lies in it at any scale: pixels a point, and where its upper left corner is, pixels. */
export interface Placed {
  readonly width: number;
  readonly height: number;
  readonly scale: { readonly x: number; readonly y: number };
  readonly shift: { readonly x: number; readonly y: number };
}
