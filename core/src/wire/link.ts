import { array, boolean, type InferType, number, object, string } from 'yup';

/** Days a link can live. */
export const LINK_DAYS = [1, 7, 30] as const;
/** What guests get: the file, or pictures of its pages and nothing else. */
export const LINK_ACCESS = ['file', 'pictures'] as const;
export type LinkAccess = (typeof LINK_ACCESS)[number];
/** The largest fixed copy the server takes, bytes. */
export const MOST_LINK_BYTES = 100 * 1024 * 1024;
/** Of a message to guests, characters. */
export const MOST_MESSAGE = 1000;
/** What a token or key looks like: 32 random bytes in base64url. */
export const TOKEN_PATTERN = /^[A-Za-z0-9_-]{43}$/;

/** Whether a link leads nowhere any more; `now` in ms since 1970, as its expiry. */
export const isExpired = ({ expiresAt }: { readonly expiresAt: number }, now: number): boolean =>
  expiresAt <= now;

/** What comes with the bytes of a fixed copy, in the query of `POST /api/links`. */
export const linkRequestSchema = object({
  fileName: string().trim().min(1).max(200).required(),
  title: string().trim().min(1).max(200).required(),
  days: number().oneOf(LINK_DAYS).required(),
  /** What the owner says to whoever opens it. */
  message: string().trim().max(MOST_MESSAGE).default(''),
  access: string().oneOf(LINK_ACCESS).default('file'),
  /** Guests say their name, and what they see carries it. */
  asksName: boolean().default(false),
  /** Where pictures are served: whether they may be printed, and their words copied. */
  mayPrint: boolean().default(false),
  mayCopy: boolean().default(false),
  /** Guests are shown the notes, and may answer them. */
  mayAnswer: boolean().default(false),
});
export type LinkRequest = InferType<typeof linkRequestSchema>;

/** The header of `POST /api/links` with the password of a link that asks for one, percent-encoded: addresses are written down on their way, headers are not. */
export const PASSWORD_HEADER = 'link-password';
/** Characters a password may have; a key to a copy for some days. */
export const PASSWORD_LENGTH = { least: 6, most: 200 } as const;

export const linkPasswordSchema = string()
  .min(PASSWORD_LENGTH.least, `a password has at least ${PASSWORD_LENGTH.least} characters`)
  .max(PASSWORD_LENGTH.most, `a password has at most ${PASSWORD_LENGTH.most} characters`);

/** What comes with the bytes of a newer copy, in the query of `PUT /api/links/:token/file`. */
export const linkRenewalSchema = object({ fileName: string().trim().min(1).max(200).required() });

/** What the owner is told of a link, `GET /api/links/:token/openings`: times in ms since 1970, the last first, of the last few. */
export const linkOpeningsSchema = object({
  expiresAt: number().required(),
  withdrawn: boolean().required(),
  count: number().integer().min(0).required(),
  times: array(number().required()).max(20).required(),
});
export type LinkOpenings = InferType<typeof linkOpeningsSchema>;

/** The answer to the owner: shown once, the server keeps only hashes of token and key. */
export const linkCreatedSchema = object({
  token: string().matches(TOKEN_PATTERN).required(),
  ownerKey: string().matches(TOKEN_PATTERN).required(),
  expiresAt: number().required(),
});
export type LinkCreated = InferType<typeof linkCreatedSchema>;

/** A demo document the server offers to an empty desk. */
export const demoListSchema = array(
  object({
    file: string()
      .matches(/^[a-z0-9-]+\.pdf$/)
      .required(),
    title: string().required(),
    onDesk: boolean().required(),
  }),
).required();
export type DemoList = InferType<typeof demoListSchema>;

/** Why a request was refused, in words for people. */
export const refusalSchema = object({ message: string().required() });
