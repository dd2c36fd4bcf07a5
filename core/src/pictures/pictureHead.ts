import { imageSize } from 'image-size';

/** The kinds of pictures that can be put on a page. */
export type PictureFormat = 'jpeg' | 'png' | 'webp' | 'gif' | 'svg';

/** What a picture's file says of it, read before anything is unpacked. */
export interface PictureHead {
  readonly format: PictureFormat;
  /** As they are stored: before it is turned as its camera was held. */
  readonly width: number;
  readonly height: number;
  /** As its camera was held, 1–8 (EXIF 2.3, tag 0x0112); 1 is upright. */
  readonly orientation: number;
}

/** Why a file is no picture that can be put on a page. */
export type PictureRefusalReason = 'no-picture' | 'too-large' | 'too-many-pixels';

/** Thrown with a sentence for people. */
export class PictureRefusal extends Error {
  override readonly name = 'PictureRefusal';
  constructor(
    readonly reason: PictureRefusalReason,
    message: string,
    options?: ErrorOptions,
  ) {
    super(message, options);
  }
}

/** Bytes of a file that is read at all. */
export const LARGEST_FILE = 60_000_000;
/** Pixels that are unpacked at most: four bytes each. */
const MOST_PIXELS = 80_000_000;

const FORMATS: Readonly<Record<string, PictureFormat>> = {
  jpg: 'jpeg',
  png: 'png',
  webp: 'webp',
  gif: 'gif',
  svg: 'svg',
};

const megapixels = (pixels: number): string => `${Math.round(pixels / 1e6)} megapixels`;

/**
 * Reads what a picture is without unpacking it: a few bytes can claim pixels without end.
 * @param name of its file, for what is said when it is refused
 * @throws PictureRefusal
 */
export function pictureHead(bytes: Uint8Array, name: string): PictureHead {
  if (bytes.length > LARGEST_FILE)
    throw new PictureRefusal('too-large', `“${name}” is larger than 60 MB.`);
  const { type = '', width, height, orientation = 1 } = sizeOf(bytes, name);
  const format = FORMATS[type];
  if (!format || !(width > 0) || !(height > 0)) throw noPicture(name);
  if (width * height > MOST_PIXELS)
    throw new PictureRefusal(
      'too-many-pixels',
      `“${name}” has ${megapixels(width * height)}; more than ${megapixels(MOST_PIXELS)} are not opened. Make it smaller first.`,
    );
  const isTurned = Number.isInteger(orientation) && orientation >= 1 && orientation <= 8;
  return { format, width, height, orientation: isTurned ? orientation : 1 };
}

function sizeOf(bytes: Uint8Array, name: string): ReturnType<typeof imageSize> {
  try {
    return imageSize(bytes);
  } catch (e) {
    // The library throws of everything that it cannot make sense of.
    throw noPicture(name, e);
  }
}

const noPicture = (name: string, cause?: unknown): PictureRefusal =>
  new PictureRefusal(
    'no-picture',
    `“${name}” is no picture that can be read: JPEG, PNG, WebP, GIF and SVG can.`,
    { cause },
  );
