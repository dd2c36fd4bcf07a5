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
  /** Where the whole page lies in it, as it is turned; it may reach beyond. */
  readonly page: {
    readonly x: number;
    readonly y: number;
    readonly width: number;
    readonly height: number;
  };
  /** How far the page is turned beside its own turn, clockwise, degrees. */
  readonly turn: 0 | 90 | 180 | 270;
}
