import type { Request, RequestHandler } from 'express';
import { rateLimit, type Store } from 'express-rate-limit';
import helmet from 'helmet';
import { plainPage } from './plainPage.ts';
import { refuse } from './refuse.ts';

/** Strict: nothing from elsewhere, no eval; WebAssembly for the PDF decoders, blobs for downloads. */
export const securityHeaders = (): RequestHandler =>
  helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        workerSrc: ["'self'"],
        // What is printed: a PDF that was made here.
        frameSrc: ['blob:'],
        connectSrc: ["'self'"],
        fontSrc: ["'self'", 'data:'],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    },
    // Tokens stand in addresses; no other site learns them.
    referrerPolicy: { policy: 'no-referrer' },
    // The demo is served over plain HTTP on this machine; a proxy in front adds transport security.
    strictTransportSecurity: false,
  });

/** What the browser may be asked for here: the clipboard and the share sheet, nothing that watches or listens. */
const PERMISSIONS = [
  'clipboard-read=(self)',
  'clipboard-write=(self)',
  'web-share=(self)',
  'fullscreen=(self)',
  ...[
    'accelerometer',
    'camera',
    'display-capture',
    'geolocation',
    'gyroscope',
    'magnetometer',
    'microphone',
    'midi',
    'payment',
    'serial',
    'usb',
  ].map((name) => `${name}=()`),
].join(', ');

export const permissionsPolicy: RequestHandler = (_req, res, next) => {
  res.set('permissions-policy', PERMISSIONS);
  next();
};

const TOO_MANY = 'Too many requests from here. Wait a minute and try again.';

/** Where hits of what is named are counted; in memory where nothing is given. */
export type CountHits = (name: string) => Store | undefined;

/** At most `most` requests a minute from one address; those who see pages are told in one. */
export const limitRate = (
  most: number,
  tells: 'json' | 'page' = 'json',
  store?: Store,
): RequestHandler =>
  rateLimit({
    ...(store ? { store } : {}),
    windowMs: 60_000,
    limit: most,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    // Whether a proxy is believed is set on purpose; see TRUSTED_PROXIES.
    validate: { xForwardedForHeader: false },
    handler: (_req, res) =>
      tells === 'json'
        ? refuse(res, 429, TOO_MANY)
        : res
            .status(429)
            .set('cache-control', 'no-store')
            .type('html')
            .send(plainPage('A moment, please', TOO_MANY)),
  });

const TRIED_TOO_OFTEN =
  'The password was tried too often. Wait a quarter of an hour and try again.';

/** At most `most` refused requests in a quarter of an hour of what `keyOf` tells apart; what is let in does not count. */
export const limitTries = (
  most: number,
  keyOf: (req: Request) => string,
  store?: Store,
): RequestHandler =>
  rateLimit({
    ...(store ? { store } : {}),
    windowMs: 15 * 60_000,
    limit: most,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    skipSuccessfulRequests: true,
    keyGenerator: keyOf,
    validate: { xForwardedForHeader: false },
    handler: (_req, res) => refuse(res, 429, TRIED_TOO_OFTEN),
  });
