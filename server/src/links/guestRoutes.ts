import { pdfFileName, visitSchema } from '@marginalis/core/wire';
import { parse as readCookies } from 'cookie';
import express, { type Request, Router } from 'express';
import { ipKeyGenerator } from 'express-rate-limit';
import { asForeignBytes } from '../http/foreign.ts';
import { refuse } from '../http/refuse.ts';
import { limitTries } from '../http/security.ts';
import { type LinkState, stateOfLink } from './linkState.ts';
import type { LinkStore } from './linkStore.ts';
import { fitsPassword } from './passwords.ts';
import { hashToken } from './tokens.ts';
import { isVisit, newVisit, VISIT, VISIT_COOKIE } from './visits.ts';

/** Wrong passwords in a quarter of an hour, of one link by anybody, and of any link from one address. */
export const TRIES = { link: 30, address: 10 } as const;

type Named = Request<{ token: string }>;

const PASSWORD_ASKED = 'This document asks for a password.';

/** What guests may: `GET /:token` tells about a link, `POST /:token/visit` lets in who knows its password, `GET /:token/file` gives the bytes. */
export function guestRoutes(deps: {
  store: LinkStore;
  now: () => number;
  report: (error: unknown) => void;
}): Router {
  const { store, now, report } = deps;
  const router = Router();

  /** A link that is there, for those who know its password, if it has one. */
  const visited = async (
    req: Named,
  ): Promise<LinkState | { ok: false; status: 401; message: string }> => {
    const state = await stateOfLink(store, req.params.token, now());
    if (!state.ok || state.record.password === null) return state;
    const visit = readCookies(req.get('cookie') ?? '')[VISIT_COOKIE];
    return isVisit(visit, state.record.visitKey, state.hash, now())
      ? state
      : { ok: false, status: 401, message: PASSWORD_ASKED };
  };

  router.get('/:token', async (req: Named, res) => {
    const state = await visited(req);
    if (!state.ok) return refuse(res, state.status, state.message);
    const { title, fileName, size, expiresAt, message } = state.record;
    return res
      .set('cache-control', 'no-store')
      .json({ title, fileName: pdfFileName(fileName), size, expiresAt, message });
  });

  router.post(
    '/:token/visit',
    limitTries(TRIES.address, (req) => ipKeyGenerator(req.ip ?? '')),
    limitTries(TRIES.link, (req) => hashToken(String(req.params.token))),
    express.json({ limit: 4096 }),
    async (req: Named, res) => {
      const state = await stateOfLink(store, req.params.token, now());
      if (!state.ok) return refuse(res, state.status, state.message);
      const { hash, record } = state;
      if (!visitSchema.isValidSync(req.body, { strict: true }))
        return refuse(res, 400, 'Write the password.');
      if (record.password !== null && !(await fitsPassword(req.body.password, record.password)))
        return refuse(res, 403, 'That is not the password.');
      res.cookie(VISIT_COOKIE, newVisit(record.visitKey, hash, now()), {
        // To this link and no other, and to no script.
        path: `/api/links/${req.params.token}`,
        httpOnly: true,
        sameSite: 'strict',
        secure: req.secure,
        maxAge: VISIT,
      });
      return res.set('cache-control', 'no-store').status(204).end();
    },
  );

  router.get('/:token/file', async (req: Named, res) => {
    const state = await visited(req);
    if (!state.ok) return refuse(res, state.status, state.message);
    const path = await store.filePath(state.hash);
    if (!path)
      return refuse(
        res,
        410,
        'The file of this link is no longer on the server. Ask the person who sent it for a new one.',
      );
    // Who keeps what was shown has opened it already. A disk that is full keeps no guest out.
    if (req.method === 'GET' && req.query.keep === undefined)
      await store.opened(state.hash, now()).catch(report);
    asForeignBytes(res, 'application/pdf', pdfFileName(state.record.fileName));
    return res.sendFile(path, {
      // The folder may lie below a hidden one; the name itself is a hash.
      dotfiles: 'allow',
      lastModified: false,
      cacheControl: false,
      etag: false,
    });
  });
  return router;
}
