/**
 * The characters of a page in the order of its file. Flat, since a page has thousands of them; places in user space, points.
 */
export interface RawPrint {
  /** Unicode code points; the spaces that the file draws are among them, nothing else that is not seen. */
  readonly codes: Uint32Array;
  /** Where each stands on its line: x and y in turn. */
  readonly origins: Float32Array;
  /** What each takes of its line, as wide as it advances and as high as its face: minX, minY, maxX, maxY in turn. */
  readonly boxes: Float32Array;
  /** Size of type. */
  readonly sizes: Float32Array;
  /** Which of the page's faces each is set in: numbers that tell them apart, no more. */
  readonly faces: Uint32Array;
  /** Direction of writing, radians counterclockwise. */
  readonly angles: Float32Array;
}
