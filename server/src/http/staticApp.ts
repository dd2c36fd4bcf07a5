import { join } from 'node:path';
import express, { Router } from 'express';

const YEAR = 365 * 24 * 3600 * 1000;

/** The built application: hashed files for ever, the rest asked for again each time, index.html for routes. */
export function staticApp(folder: string): Router {
  const router = Router();
  router.use(
    '/_expo/static',
    express.static(join(folder, '_expo/static'), { immutable: true, maxAge: YEAR, index: false }),
  );
  router.use(express.static(folder, { index: false, cacheControl: true, maxAge: 0 }));
  router.get('/{*splat}', (req, res, next) => {
    if (/\.[a-z0-9]+$/i.test(req.path)) return next();
    return res.set('cache-control', 'no-cache').sendFile(join(folder, 'index.html'));
  });
  return router;
}
