import { number, object, string } from 'yup';

/** A picture that a task carries with it: a cutting of a page as it was, or one that was chosen. */
export interface Attachment {
  readonly id: string;
  /** What it is called: that of its file, or of what it was cut from. */
  readonly name: string;
  readonly type: 'image/jpeg';
  /** Its bytes in base64. */
  readonly data: string;
  /** Pixels. */
  readonly width: number;
  readonly height: number;
}

/** Characters of its bytes in base64. */
export const LARGEST_ATTACHMENT = 600_000;

const pixels = number().strict().integer().min(1).max(10_000).required();

export const attachmentShape = object({
  id: string().strict().required().max(100),
  name: string().strict().defined().max(200),
  type: string()
    .strict()
    .oneOf(['image/jpeg'] as const)
    .required(),
  data: string()
    .strict()
    .required()
    .max(LARGEST_ATTACHMENT)
    .matches(/^[A-Za-z0-9+/]+={0,2}$/)
    .test('base64', 'is no base64', (text) => text.length % 4 === 0),
  width: pixels,
  height: pixels,
});
