import { join } from 'node:path';
import { Router } from 'express';
import expressStaticGzip from 'express-static-gzip';

const YEAR = 365 * 24 * 3600 * 1000;

/** Files as they were packed when the application was built, for those who can unpack them. */
const packed = (folder: string, serveStatic: { immutable?: boolean; maxAge: number }) =>
  expressStaticGzip(folder, {
    index: false,
    enableBrotli: true,
    orderPreference: ['br', 'gz'],
    serveStatic,
  });

/** The built application: hashed files for ever, the rest asked for again each time, index.html for routes. */
export function staticApp(folder: string): Router {
  const router = Router();
  router.use(
    '/_expo/static',
    packed(join(folder, '_expo/static'), { immutable: true, maxAge: YEAR }),
  );
  router.use(packed(folder, { maxAge: 0 }));
  router.get('/{*splat}', (req, res, next) => {
    if (/\.[a-z0-9]+$/i.test(req.path)) return next();
    return res.set('cache-control', 'no-cache').sendFile(join(folder, 'index.html'));
  });
  return router;
}
