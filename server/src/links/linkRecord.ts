import { LINK_ACCESS, type LinkAccess } from '@marginalis/core/wire';
import { boolean, number, object, string, ValidationError } from 'yup';

const shape = object({
  ownerKeyHash: string()
    .matches(/^[0-9a-f]{64}$/)
    .required(),
  title: string().required(),
  fileName: string().required(),
  size: number().required(),
  createdAt: number().required(),
  expiresAt: number().required(),
  /** Set when the owner took the link back; the bytes are gone by then. */
  withdrawnAt: number().nullable().default(null),
  message: string().default(''),
  /** Made by `hashPassword`; null for a link that asks for none. */
  password: string().nullable().default(null),
  /** What visits of this link are signed with, 64 hex digits; links made before there were passwords have none. */
  visitKey: string().default(''),
  access: string().oneOf(LINK_ACCESS).default('file'),
  asksName: boolean().default(false),
  mayPrint: boolean().default(false),
  mayCopy: boolean().default(false),
  mayAnswer: boolean().default(false),
});

/** A link as it is kept, under the hash of its token. */
export interface LinkRecord {
  readonly ownerKeyHash: string;
  readonly title: string;
  readonly fileName: string;
  readonly size: number;
  readonly createdAt: number;
  readonly expiresAt: number;
  readonly withdrawnAt: number | null;
  readonly message: string;
  readonly password: string | null;
  readonly visitKey: string;
  readonly access: LinkAccess;
  /** Guests say who they are before they are let in. */
  readonly asksName: boolean;
  /** Of pictures: whether they may be printed, and their words given. */
  readonly mayPrint: boolean;
  readonly mayCopy: boolean;
  /** Guests are shown the notes, and may answer them. */
  readonly mayAnswer: boolean;
}

/** Null for what is no record; one nobody can read gives nobody access. */
export function readRecord(text: string): LinkRecord | null {
  try {
    return shape.validateSync(JSON.parse(text));
  } catch (e) {
    if (e instanceof ValidationError || e instanceof SyntaxError) return null;
    throw e;
  }
}
