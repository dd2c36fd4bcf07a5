import {
  answersSchema,
  type KeptAnswer,
  type LinkCreated,
  linkCreatedSchema,
  type LinkOpenings,
  linkOpeningsSchema,
  type LinkRequest,
  PASSWORD_HEADER,
  type SharedNote,
} from '@marginalis/core/wire';
import type { Schema } from 'yup';
import { ask, askJson } from './server';

/** A link, and the key by which its owner is known. */
interface Owned {
  readonly token: string;
  readonly ownerKey: string;
}

const asOwner = ({ ownerKey }: Owned): { authorization: string } => ({
  authorization: `Bearer ${ownerKey}`,
});
const PDF = { 'content-type': 'application/pdf' };

/** Puts a copy under a link; with a password, when there is one, that guests are asked for. */
export const createLink = (
  request: LinkRequest,
  bytes: Uint8Array,
  password = '',
): Promise<LinkCreated> => {
  const query = new URLSearchParams(
    Object.entries(request).map(([name, value]) => [name, String(value)]),
  );
  return askJson<LinkCreated>(linkCreatedSchema, `/api/links?${query}`, {
    method: 'POST',
    headers: { ...PDF, ...(password && { [PASSWORD_HEADER]: encodeURIComponent(password) }) },
    body: bytes as Uint8Array<ArrayBuffer>,
  });
};

/** Puts another copy under the same link. */
export const renewLink = async (
  link: Owned,
  fileName: string,
  bytes: Uint8Array,
): Promise<void> => {
  await ask(`/api/links/${link.token}/file?${new URLSearchParams({ fileName })}`, {
    method: 'PUT',
    headers: { ...PDF, ...asOwner(link) },
    body: bytes as Uint8Array<ArrayBuffer>,
  });
};

export const withdrawLink = async (link: Owned): Promise<void> => {
  await ask(`/api/links/${link.token}`, { method: 'DELETE', headers: asOwner(link) });
};

/** How a link stands, for its owner. */
export const readOpenings = (link: Owned): Promise<LinkOpenings> =>
  askJson(linkOpeningsSchema as Schema<LinkOpenings>, `/api/links/${link.token}/openings`, {
    headers: asOwner(link),
  });

/** Puts the notes beside a copy that guests may answer, in the place of earlier ones. */
export const putNotes = async (link: Owned, notes: readonly SharedNote[]): Promise<void> => {
  await ask(`/api/links/${link.token}/notes`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json', ...asOwner(link) },
    body: JSON.stringify(notes),
  });
};

/** All that guests have answered, oldest first. */
export const readAnswers = (link: Owned): Promise<KeptAnswer[]> =>
  askJson(answersSchema as Schema<KeptAnswer[]>, `/api/links/${link.token}/answers`, {
    headers: asOwner(link),
  });
