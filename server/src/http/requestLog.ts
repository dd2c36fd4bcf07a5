import type { RequestHandler } from 'express';
import type { Logger } from 'pino';

/** What stands in addresses and opens links: tokens and the hashes of them. */
const SECRET = /[A-Za-z0-9_-]{43,}/g;

/** An address as it may be written down: without tokens, and without what is asked, which has titles and names in it. */
export const withoutSecrets = (url: string): string => url.split('?')[0].replace(SECRET, ':token');

/** Writes down each request when it is over: what was asked for, how it ended, and how long it took. Nobody's address, name, password or link is in it. */
export const requestLog =
  (log: Pick<Logger, 'info'>): RequestHandler =>
  (req, res, next) => {
    const started = performance.now();
    const path = withoutSecrets(req.originalUrl);
    res.on('close', () => {
      log.info(
        {
          method: req.method,
          path,
          status: res.statusCode,
          ms: Math.round(performance.now() - started),
          whole: res.writableFinished,
        },
        'request',
      );
    });
    next();
  };
