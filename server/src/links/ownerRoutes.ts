import { randomBytes } from 'node:crypto';
import {
  linkPasswordSchema,
  linkRenewalSchema,
  linkRequestSchema,
  PASSWORD_HEADER,
  pdfFileName,
} from '@marginalis/core/wire';
import { type Request, type RequestHandler, Router } from 'express';
import { ValidationError } from 'yup';
import { letGo } from '../http/letGo.ts';
import { refuse } from '../http/refuse.ts';
import { type PageArtist, TooBusy } from '../pictures/artist.ts';
import { stateOfLink } from './linkState.ts';
import type { LinkStore } from './linkStore.ts';
import { isOwner, NOT_YOURS, ownedBy } from './owned.ts';
import { hashPassword } from './passwords.ts';
import { receivePdf } from './receivePdf.ts';
import { refusalOf } from './refusalOf.ts';
import { hashToken, newToken } from './tokens.ts';

const DAY = 24 * 3600 * 1000;

/** What comes in the query; each name once. */
function onlyOnce(query: Request['query']): Request['query'] {
  for (const [name, value] of Object.entries(query))
    if (typeof value !== 'string') throw new ValidationError(`${name} is given more than once`);
  return query;
}

/** The password that is asked for, if one is. @throws ValidationError */
async function passwordIn(req: Request): Promise<string | null> {
  const header = req.get(PASSWORD_HEADER);
  if (!header) return null;
  let password: string;
  try {
    password = decodeURIComponent(header);
  } catch {
    throw new ValidationError('the password cannot be read');
  }
  return hashPassword(await linkPasswordSchema.required().validate(password));
}

const NOTHING_SAID = { asksName: false, mayPrint: false, mayCopy: false };

/** What those do who make links: `POST /` makes one, `PUT /:token/file` renews it with another copy, `GET /:token/openings` tells how it stands, `DELETE /:token` withdraws it. */
export function ownerRoutes(deps: {
  store: LinkStore;
  artist: PageArtist;
  now: () => number;
  uploadLimit: RequestHandler;
}): Router {
  const { store, artist, now, uploadLimit } = deps;
  const owned = ownedBy(store, now);
  const router = Router();

  /** Takes a body in, and refuses it in words where it cannot. */
  const receiving =
    (
      take: (req: Request<{ token: string }>) => Promise<readonly [status: number, body: object]>,
    ): RequestHandler<{ token: string }> =>
    async (req, res) => {
      try {
        const [status, body] = await take(req);
        if (status >= 400) letGo(req);
        res.status(status).set('cache-control', 'no-store').json(body);
      } catch (e) {
        // Whoever sent half a file and went away hears nothing.
        if (req.destroyed && !req.complete) return;
        letGo(req);
        const refusal = refusalOf(e);
        if (!refusal) throw e;
        refuse(res, ...refusal);
      }
    };

  router.post(
    '/',
    uploadLimit,
    receiving(async (req) => {
      const { title, fileName, days, message, ...access } = await linkRequestSchema.validate(
        onlyOnce(req.query),
      );
      const password = await passwordIn(req);
      const [token, ownerKey] = [newToken(), newToken()];
      const createdAt = now();
      const record = {
        ownerKeyHash: hashToken(ownerKey),
        title,
        fileName: pdfFileName(fileName),
        createdAt,
        expiresAt: createdAt + days * DAY,
        withdrawnAt: null,
        message,
        password,
        visitKey: randomBytes(32).toString('hex'),
        // What is only said of pictures holds for them alone.
        ...(access.access === 'pictures' ? access : { ...access, ...NOTHING_SAID }),
      };
      await store.create(hashToken(token), record, receivePdf(req));
      if (record.access === 'pictures') await requireDrawn(hashToken(token));
      return [201, { token, ownerKey, expiresAt: record.expiresAt }];
    }),
  );

  /** Looks into a copy of which pictures are to be given: nobody gets a link to what cannot be shown. @throws CannotDraw */
  async function requireDrawn(hash: string): Promise<void> {
    const file = await store.filePath(hash);
    try {
      if (file) await artist.sizes(file);
    } catch (e) {
      // Shown later.
      if (e instanceof TooBusy) return;
      await store.withdraw(hash, now());
      throw e;
    }
  }

  router.put(
    '/:token/file',
    uploadLimit,
    receiving(async (req) => {
      const state = await stateOfLink(store, req.params.token, now());
      if (!state.ok) return [state.status, { message: state.message }];
      if (!isOwner(req, state.record)) return [403, { message: NOT_YOURS }];
      const { fileName } = await linkRenewalSchema.validate(onlyOnce(req.query));
      const { size } = await store.replace(state.hash, pdfFileName(fileName), receivePdf(req));
      return [200, { size }];
    }),
  );

  router.get('/:token/openings', async (req, res) => {
    const record = await store.find(hashToken(req.params.token));
    if (!record) return refuse(res, 404, 'This link is not on the server any more.');
    if (!isOwner(req, record)) return refuse(res, 403, NOT_YOURS);
    const { expiresAt, withdrawnAt } = record;
    const { count, times } = await store.openings(hashToken(req.params.token));
    return res
      .set('cache-control', 'no-store')
      .json({ expiresAt, withdrawn: withdrawnAt !== null, count, times });
  });

  router.delete('/:token', async (req, res) => {
    const link = await owned(req, res);
    if (!link) return;
    await store.withdraw(link.hash, now());
    res.status(204).end();
  });
  return router;
}
