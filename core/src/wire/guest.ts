import { array, boolean, type InferType, number, object, string } from 'yup';
import { PASSWORD_LENGTH } from './link.ts';

/** Of a guest's name, characters. */
export const LONGEST_NAME = 60;

/** What a guest says to get in, with `POST /api/links/:token/visit`. */
export const visitSchema = object({
  password: string().max(PASSWORD_LENGTH.most).default(''),
  name: string()
    .trim()
    .matches(/^[^\p{Cc}\p{Cf}\p{Zl}\p{Zp}]*$/u)
    .max(LONGEST_NAME)
    .default(''),
});
/** What a guest is asked for who was not let in yet, with 401. */
export const visitAskedSchema = object({
  asks: object({ password: boolean().required(), name: boolean().required() }).required(),
});
export type VisitAsks = InferType<typeof visitAskedSchema>['asks'];

/** What a guest may know before the bytes come. */
export const sharedDocumentSchema = object({
  title: string().required(),
  fileName: string().required(),
  size: number().required(),
  expiresAt: number().required(),
  message: string().default(''),
  /** What the guest is called who was asked for a name. */
  guest: string().default(''),
  /** There are notes that may be answered. */
  mayAnswer: boolean().default(false),
  /** Set where pictures are served, and what may be done with them. */
  view: object({ mayPrint: boolean().required(), mayCopy: boolean().required() })
    .nullable()
    .default(null),
});
export type SharedDocument = InferType<typeof sharedDocumentSchema>;

/** Widths a picture of a page can be asked for in, pixels: few, so that none is made to keep the server busy. */
export const PICTURE_WIDTHS = [400, 800, 1200, 1600, 2400] as const;

/** Pages of a document of which pictures are served, `GET /api/links/:token/pages`: as they are seen, points. */
export const pageSizesSchema = array(
  object({ width: number().positive().required(), height: number().positive().required() }),
).required();
export type PageSizes = InferType<typeof pageSizesSchema>;

/** The words of a page, `GET /api/links/:token/pages/:number/words`; paragraphs are parted by empty lines. */
export const pageWordsSchema = object({ text: string().defined() });
