import { array, boolean, type InferType, number, object, string } from 'yup';

/** Days a link can live. */
export const LINK_DAYS = [1, 7, 30] as const;
/** The largest fixed copy the server takes, bytes. */
export const MOST_LINK_BYTES = 100 * 1024 * 1024;
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
});
export type LinkRequest = InferType<typeof linkRequestSchema>;

/** The answer to the owner: shown once, the server keeps only hashes of token and key. */
export const linkCreatedSchema = object({
  token: string().matches(TOKEN_PATTERN).required(),
  ownerKey: string().matches(TOKEN_PATTERN).required(),
  expiresAt: number().required(),
});
export type LinkCreated = InferType<typeof linkCreatedSchema>;

/** What a guest may know before the bytes come. */
export const sharedDocumentSchema = object({
  title: string().required(),
  fileName: string().required(),
  size: number().required(),
  expiresAt: number().required(),
});
export type SharedDocument = InferType<typeof sharedDocumentSchema>;

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
