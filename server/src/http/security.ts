import type { RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
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

/** At most `most` requests a minute from one address. */
export const limitRate = (most: number): RequestHandler =>
  rateLimit({
    windowMs: 60_000,
    limit: most,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: (_req, res) =>
      refuse(res, 429, 'Too many requests from here. Wait a minute and try again.'),
  });
