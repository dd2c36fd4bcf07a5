import { linkRequestSchema, MOST_LINK_BYTES, TOKEN_PATTERN } from '@marginalis/core/wire';
import express, { type RequestHandler, Router } from 'express';
import { ValidationError } from 'yup';
import { refuse } from '../http/refuse.ts';
import { type LinkRecord, type LinkStore, LinkStoreFull } from './linkStore.ts';
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
  if (record.expiresAt <= now)
    return {
      ok: false,
      status: 410,
      message: 'This link has expired. Ask the person who sent it for a new one.',
    };
  return { ok: true, hash, record };
}

const looksLikePdf = (bytes: Buffer): boolean => bytes.subarray(0, 1024).includes('%PDF-');

/** `POST /` makes a link, `GET /:token` tells about it, `GET /:token/file` gives the bytes, `DELETE /:token` withdraws it. */
export function linkRoutes(deps: {
  store: LinkStore;
  now: () => number;
  uploadLimit: RequestHandler;
}): Router {
  const { store, now } = deps;
  const router = Router();
  const body = express.raw({ type: 'application/pdf', limit: MOST_LINK_BYTES });

  router.post('/', deps.uploadLimit, body, async (req, res) => {
    const bytes: unknown = req.body;
    if (!Buffer.isBuffer(bytes) || bytes.length === 0 || !looksLikePdf(bytes))
      return refuse(res, 415, 'Only a PDF can be shared by a link.');
    try {
      const { title, fileName, days } = await linkRequestSchema.validate(req.query);
      const [token, ownerKey] = [newToken(), newToken()];
      const createdAt = now();
      const expiresAt = createdAt + days * DAY;
      const ownerKeyHash = hashToken(ownerKey);
      const record = {
        ownerKeyHash,
        title,
        fileName,
        size: bytes.length,
        createdAt,
        expiresAt,
        withdrawnAt: null,
      };
      await store.create(hashToken(token), record, bytes);
      return res.status(201).json({ token, ownerKey, expiresAt });
    } catch (e) {
      if (e instanceof ValidationError)
        return refuse(res, 400, `The link cannot be made: ${e.message}.`);
      if (e instanceof LinkStoreFull)
        return refuse(
          res,
          507,
          'The server has no room for more links now. Download the copy instead.',
        );
      throw e;
    }
  });

  router.get('/:token', async (req, res) => {
    const state = await stateOfLink(store, req.params.token, now());
    if (!state.ok) return refuse(res, state.status, state.message);
    const { title, fileName, size, expiresAt } = state.record;
    return res.set('cache-control', 'no-store').json({ title, fileName, size, expiresAt });
  });

  router.get('/:token/file', async (req, res) => {
    const state = await stateOfLink(store, req.params.token, now());
    if (!state.ok) return refuse(res, state.status, state.message);
    res.set({ 'cache-control': 'no-store', 'content-type': 'application/pdf' });
    res.attachment(state.record.fileName);
    return res.sendFile(store.filePath(state.hash), {
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
