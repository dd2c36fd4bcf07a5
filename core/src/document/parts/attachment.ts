import { number, object, string } from 'yup';

const PICTURE_TYPES = ['image/jpeg', 'image/png'] as const;
/** What every reader of PDF can show. */
export type PictureType = (typeof PICTURE_TYPES)[number];

/** A picture that a document carries with it: a cutting of a page or one that was chosen, of a task; what a mark shows, which is called by the SHA-256 of its bytes. */
export interface Attachment {
  readonly id: string;
  /** What it is called: that of its file, or of what it was cut from. */
  readonly name: string;
  readonly type: PictureType;
  /** Its bytes in base64. */
  readonly data: string;
  /** Pixels. */
  readonly width: number;
  readonly height: number;
}

/** Characters that the picture of a task has in base64. */
export const LARGEST_ATTACHMENT = 600_000;
/** Bytes of the picture of a mark; in base64 a third more. */
export const LARGEST_PICTURE = 60_000_000;
const MOST_CHARACTERS = 4 * Math.ceil(LARGEST_PICTURE / 3);
/** Pixels of a side. */
const LONGEST_SIDE = 20_000;

const pixels = number().strict().integer().min(1).max(LONGEST_SIDE).required();

export const attachmentShape = object({
  id: string().strict().required().max(100),
  name: string().strict().defined().max(200),
  type: string().strict().oneOf(PICTURE_TYPES).required(),
  data: string()
    .strict()
    .required()
    .max(MOST_CHARACTERS)
    .matches(/^[A-Za-z0-9+/]+={0,2}$/)
    .test('base64', 'is no base64', (text) => text.length % 4 === 0),
  width: pixels,
  height: pixels,
});
