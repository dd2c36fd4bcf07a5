import {
  type LinkCreated,
  linkCreatedSchema,
  type LinkOpenings,
  linkOpeningsSchema,
  type LinkRequest,
  PASSWORD_HEADER,
  type SharedDocument,
  sharedDocumentSchema,
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
  const query = new URLSearchParams({ ...request, days: String(request.days) });
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

const pathOf = (token: string): string => `/api/links/${encodeURIComponent(token)}`;

export const readShared = (token: string): Promise<SharedDocument> =>
  askJson<SharedDocument>(sharedDocumentSchema, pathOf(token));

/** Lets a guest in who knows the password; the browser keeps the visit. @throws ServerError with 403 where it is another */
export const visitLink = async (token: string, password: string): Promise<void> => {
  await ask(`${pathOf(token)}/visit`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ password }),
  });
};

/** Where a guest keeps what was shown. */
export const sharedFilePath = (token: string): string => `${pathOf(token)}/file?keep`;

export const readSharedFile = async (token: string): Promise<Uint8Array> =>
  new Uint8Array(await (await ask(`${pathOf(token)}/file`)).arrayBuffer());
