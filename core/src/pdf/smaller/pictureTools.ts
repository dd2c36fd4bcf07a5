/** A picture, four bytes a pixel (red, green, blue, opacity), row by row from the top. */
export interface Pixels {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray;
}

/** What draws and packs pictures for us. */
export interface PictureTools {
  /** The only page of a PDF, on white, or on nothing, so many pixels wide and high; null where it cannot be drawn. Rejects with a RangeError where there is no room, with a PdfRefusal where it cannot be read. */
  draw(pdf: Uint8Array, width: number, height: number, onNothing?: boolean): Promise<Pixels | null>;
  /** A picture as JPEG, in colour. */
  jpeg(pixels: Pixels): Promise<Uint8Array>;
  /** A picture as PNG, with what can be seen through. */
  png(pixels: Pixels): Promise<Uint8Array>;
}
