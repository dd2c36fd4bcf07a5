import { pdfFileName, visitSchema } from '@marginalis/core/wire';
import express, { Router } from 'express';
import { ipKeyGenerator } from 'express-rate-limit';
import { asForeignBytes } from '../http/foreign.ts';
import { refuse } from '../http/refuse.ts';
import { type CountHits, limitTries } from '../http/security.ts';
import { stateOfLink } from './linkState.ts';
import type { LinkStore } from './linkStore.ts';
import { fitsPassword } from './passwords.ts';
import { hashToken } from './tokens.ts';
import { asksOf, type OfLink, visiting } from './visiting.ts';
import { newVisit, VISIT, VISIT_COOKIE } from './visits.ts';

/** Wrong passwords in a quarter of an hour, of one link by anybody, and of any link from one address. */
export const TRIES = { link: 30, address: 10 } as const;

const NOT_SAID = 'Write what is asked for, in a line each.';

/** What guests may: `GET /:token` tells about a link, `POST /:token/visit` lets in who says what it asks for, `GET /:token/file` gives the bytes where it gives them. */
export function guestRoutes(deps: {
  store: LinkStore;
  now: () => number;
  report: (error: unknown) => void;
  countHits: CountHits;
}): Router {
  const { store, now, report, countHits } = deps;
  const router = Router();
  const visited = visiting(store, now);

  router.get('/:token', async (req: OfLink, res) => {
    const link = await visited(req, res);
    if (!link) return undefined;
    const { title, fileName, size, expiresAt, message } = link.record;
    const { access, mayPrint, mayCopy, mayAnswer } = link.record;
    const view = access === 'pictures' ? { mayPrint, mayCopy } : null;
    return res.set('cache-control', 'no-store').json({
      title,
      fileName: pdfFileName(fileName),
      size,
      expiresAt,
      message,
      guest: link.guest.name,
      mayAnswer,
      view,
    });
  });

  router.post(
    '/:token/visit',
    limitTries(TRIES.address, (req) => ipKeyGenerator(req.ip ?? ''), countHits('tries')),
    limitTries(
      TRIES.link,
      (req) => hashToken(String(req.params.token)),
      countHits('tries of link'),
    ),
    express.json({ limit: 4096 }),
    async (req: OfLink, res) => {
      const state = await stateOfLink(store, req.params.token, now());
      if (!state.ok) return refuse(res, state.status, state.message);
      const { hash, record } = state;
      const asks = asksOf(record);
      if (!visitSchema.isValidSync(req.body, { strict: true })) return refuse(res, 400, NOT_SAID);
      const { password, name } = visitSchema.cast(req.body);
      if (asks.name && name === '') return refuse(res, 400, 'Write your name.');
      if (record.password !== null && !(await fitsPassword(password, record.password)))
        return refuse(res, 403, 'That is not the password.');
      res.cookie(VISIT_COOKIE, newVisit(record.visitKey, hash, now(), asks.name ? name : ''), {
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

  router.get('/:token/file', async (req: OfLink, res) => {
    const link = await visited(req, res);
    if (!link) return undefined;
    if (link.record.access !== 'file')
      return refuse(res, 403, 'This document can be viewed here, and not be downloaded.');
    const path = await store.filePath(link.hash);
    if (!path)
      return refuse(
        res,
        410,
        'The file of this link is no longer on the server. Ask the person who sent it for a new one.',
      );
    // Who keeps what was shown has opened it already. A disk that is full keeps no guest out.
    if (req.method === 'GET' && req.query.keep === undefined)
      await store.opened(link.hash, now()).catch(report);
    asForeignBytes(res, 'application/pdf', pdfFileName(link.record.fileName));
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
