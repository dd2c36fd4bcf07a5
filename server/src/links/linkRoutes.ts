import { isExpired, linkRequestSchema, pdfFileName, TOKEN_PATTERN } from '@marginalis/core/wire';
import { type Request, type RequestHandler, Router } from 'express';
import { ValidationError } from 'yup';
import { asForeignBytes } from '../http/foreign.ts';
import { refuse } from '../http/refuse.ts';
import type { LinkRecord } from './linkRecord.ts';
import { type LinkStore, LinkStoreFull } from './linkStore.ts';
import { letGo, NotPdf, receivePdf, TooLarge } from './receivePdf.ts';
import { hashToken, matchesHash, newToken } from './tokens.ts';

const DAY = 24 * 3600 * 1000;

/** How a token stands: a record that may be used, or the status and words of the refusal. */
export type LinkState =
  | { readonly ok: true; readonly hash: string; readonly record: LinkRecord }
  | { readonly ok: false; readonly status: 400 | 404 | 410; readonly message: string };

export async function stateOfLink(
  store: LinkStore,
  token: string,
  now: number,
): Promise<LinkState> {
  if (!TOKEN_PATTERN.test(token))
    return {
      ok: false,
      status: 400,
      message: 'This link is not complete. Copy it again, from its first character to its last.',
    };
  const hash = hashToken(token);
  const record = await store.find(hash);
  if (!record)
    return {
      ok: false,
      status: 404,
      message: 'This link leads to nothing. It may have been mistyped, or it is long past.',
    };
  if (record.withdrawnAt !== null)
    return {
      ok: false,
      status: 410,
      message: 'This link was withdrawn by the person who made it.',
    };
  if (isExpired(record, now))
    return {
      ok: false,
      status: 410,
      message: 'This link has expired. Ask the person who sent it for a new one.',
    };
  return { ok: true, hash, record };
}

/** Why a link could not be made, as a status and a sentence; null for what nobody foresaw. */
function refusalOf(e: unknown): readonly [status: number, message: string] | null {
  if (e instanceof NotPdf) return [415, 'Only a PDF can be shared by a link.'];
  if (e instanceof TooLarge)
    return [413, 'This file is too large for a link. Download it instead.'];
  if (e instanceof ValidationError) return [400, `The link cannot be made: ${e.message}.`];
  if (e instanceof LinkStoreFull)
    return [507, 'The server has no room for more links now. Download the copy instead.'];
  return null;
}

/** What comes in the query; each name once. */
function onlyOnce(query: Request['query']): Request['query'] {
  for (const [name, value] of Object.entries(query))
    if (typeof value !== 'string') throw new ValidationError(`${name} is given more than once`);
  return query;
}

/** `POST /` makes a link, `GET /:token` tells about it, `GET /:token/file` gives the bytes, `DELETE /:token` withdraws it. */
export function linkRoutes(deps: {
  store: LinkStore;
  now: () => number;
  uploadLimit: RequestHandler;
}): Router {
  const { store, now } = deps;
  const router = Router();

  router.post('/', deps.uploadLimit, async (req, res) => {
    try {
      const { title, fileName, days } = await linkRequestSchema.validate(onlyOnce(req.query));
      const [token, ownerKey] = [newToken(), newToken()];
      const createdAt = now();
      const expiresAt = createdAt + days * DAY;
      const record = {
        ownerKeyHash: hashToken(ownerKey),
        title,
        fileName: pdfFileName(fileName),
        createdAt,
        expiresAt,
        withdrawnAt: null,
      };
      await store.create(hashToken(token), record, receivePdf(req));
      return res.status(201).json({ token, ownerKey, expiresAt });
    } catch (e) {
      // Whoever sent half a file and went away hears nothing.
      if (req.destroyed && !req.complete) return res;
      letGo(req);
      const refusal = refusalOf(e);
      if (!refusal) throw e;
      return refuse(res, ...refusal);
    }
  });

  router.get('/:token', async (req, res) => {
    const state = await stateOfLink(store, req.params.token, now());
    if (!state.ok) return refuse(res, state.status, state.message);
    const { title, fileName, size, expiresAt } = state.record;
    return res
      .set('cache-control', 'no-store')
      .json({ title, fileName: pdfFileName(fileName), size, expiresAt });
  });

  router.get('/:token/file', async (req, res) => {
    const state = await stateOfLink(store, req.params.token, now());
    if (!state.ok) return refuse(res, state.status, state.message);
    const path = await store.filePath(state.hash);
    if (!path)
      return refuse(
        res,
        410,
        'The file of this link is no longer on the server. Ask the person who sent it for a new one.',
      );
    asForeignBytes(res, 'application/pdf', pdfFileName(state.record.fileName));
    return res.sendFile(path, {
      // The folder may lie below a hidden one; the name itself is a hash.
      dotfiles: 'allow',
      lastModified: false,
      cacheControl: false,
      etag: false,
    });
  });

  router.delete('/:token', async (req, res) => {
    const state = await stateOfLink(store, req.params.token, now());
    if (!state.ok) return refuse(res, state.status, state.message);
    const key = /^Bearer (.+)$/.exec(req.get('authorization') ?? '')?.[1] ?? '';
    if (!matchesHash(key, state.record.ownerKeyHash))
      return refuse(res, 403, 'Only the person who made this link can withdraw it.');
    await store.withdraw(state.hash, state.record, now());
    return res.status(204).end();
  });

  return router;
}
