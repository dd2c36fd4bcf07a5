import compression from 'compression';
import express, { type ErrorRequestHandler, type Express } from 'express';
import type { Logger } from 'pino';
import { plainPage } from './http/plainPage.ts';
import { refuse } from './http/refuse.ts';
import { requestLog } from './http/requestLog.ts';
import { type CountHits, limitRate, permissionsPolicy, securityHeaders } from './http/security.ts';
import { staticApp } from './http/staticApp.ts';
import { linkRoutes } from './links/linkRoutes.ts';
import { stateOfLink } from './links/linkState.ts';
import type { LinkStore } from './links/linkStore.ts';
import { mailRoutes } from './mail/mailRoutes.ts';
import type { Mailer } from './mail/mailer.ts';
import type { PageArtist } from './pictures/artist.ts';
import type { Outbox } from './standins/outbox.ts';
import { outboxPages } from './standins/outboxPages.ts';
import { simulatedTracker } from './standins/simulatedTracker.ts';
import { deviceRoutes, type Devices, standInsTold } from './standins/standInRoutes.ts';
import { taskRoutes } from './tasks/taskRoutes.ts';
import type { Tracker } from './tasks/tracker.ts';
import { openLexicon } from './words/lexicon.ts';
import { wordRoutes } from './words/wordRoutes.ts';

export interface AppDeps {
  readonly links: LinkStore;
  /** Draws what guests may look at and not have. */
  readonly artist: PageArtist;
  /** Milliseconds since 1970. */
  readonly now: () => number;
  /** Folder of the built application. */
  readonly appFolder: string;
  /** Folder of the sample documents; null when none are offered. */
  readonly demoFolder: string | null;
  /** Where tasks are sent; null where none is set. */
  readonly tracker?: Tracker | null;
  /** What mail leaves by; null where nothing is set. */
  readonly mailer?: Mailer | null;
  /** The outbox that is shown; null where none is. */
  readonly outbox?: Outbox | null;
  /** What stands in for what a device may lack; null where nothing does. */
  readonly devices?: Devices | null;
  readonly report: (error: unknown) => void;
  /** Where requests are written down; nowhere without. */
  readonly log?: Pick<Logger, 'info'>;
  /** Proxies in front whose word about a guest's address is taken: how many, or their addresses; none without. */
  readonly trustedProxies?: number | readonly string[];
  readonly limits?: { readonly uploads: number; readonly requests: number };
  /** Where requests are counted; in this process without. */
  readonly countHits?: CountHits;
}

/** Uploads and API requests a minute from one address. */
const LIMITS = { uploads: 20, requests: 300 };

/** The server, not yet listening. */
export function createApp(deps: AppDeps): Express {
  const app = express();
  const limits = deps.limits ?? LIMITS;
  const countHits = deps.countHits ?? (() => undefined);
  const requests = (name: string, tells?: 'json' | 'page') =>
    limitRate(limits.requests, tells, countHits(name));
  const uploads = (name: string) => limitRate(limits.uploads, 'json', countHits(name));
  app.disable('x-powered-by');
  if (deps.trustedProxies !== undefined)
    app.set(
      'trust proxy',
      typeof deps.trustedProxies === 'number' ? deps.trustedProxies : [...deps.trustedProxies],
    );
  if (deps.log) app.use(requestLog(deps.log));
  // For whoever watches over the server, or sends guests to one that stands.
  app.get('/api/health', async (_req, res) => {
    await deps.links.check();
    res.set('cache-control', 'no-store').json({ ok: true });
  });
  app.use(securityHeaders(), permissionsPolicy);
  app.use(compression());
  app.use(
    '/api/links',
    requests('links'),
    linkRoutes({
      store: deps.links,
      artist: deps.artist,
      now: deps.now,
      uploadLimit: uploads('uploads'),
      report: deps.report,
      countHits,
    }),
  );
  app.use('/api/words', requests('words'), wordRoutes(openLexicon()));
  app.use('/api/tasks', requests('tasks'), taskRoutes(deps.tracker ?? null, uploads('tasks sent')));
  app.use('/api/mail', requests('mail'), mailRoutes(deps.mailer ?? null, uploads('mail sent')));
  app.use('/api/stand-ins', requests('stand-ins told'), standInsTold(deps.devices ?? null));
  app.use('/api', (_req, res) => refuse(res, 404, 'There is nothing at this address.'));

  // A guest whose link is dead gets the right status and a plain page before any script is sent.
  app.get<{ token: string }>('/s/:token', requests('pages', 'page'), async (req, res, next) => {
    const state = await stateOfLink(deps.links, req.params.token, deps.now());
    res.set('cache-control', 'no-store').set('x-robots-tag', 'noindex');
    if (state.ok) return next();
    return res.status(state.status).type('html').send(plainPage('No document here', state.message));
  });

  if (deps.demoFolder)
    app.use('/stand-ins/tracker', requests('stand-in tracker'), simulatedTracker());
  if (deps.outbox)
    app.use('/stand-ins/outbox', requests('outbox', 'page'), outboxPages(deps.outbox));
  if (deps.devices)
    app.use(
      '/stand-ins',
      requests('stand-ins', 'page'),
      deviceRoutes(deps.devices, uploads('handed over')),
    );
  if (deps.demoFolder) app.use('/demo', express.static(deps.demoFolder, { index: false }));
  app.use('/demo', (_req, res) => refuse(res, 404, 'No such sample is offered here.'));
  app.use(staticApp(deps.appFolder));
  app.use((_req, res) =>
    res.status(404).type('html').send(plainPage('Nothing here', 'This address leads nowhere.')),
  );

  const onError: ErrorRequestHandler = (
    error: { status?: unknown; type?: unknown },
    _req,
    res,
    next,
  ) => {
    if (res.headersSent) return next(error);
    const status = typeof error.status === 'number' && error.status < 500 ? error.status : 500;
    if (status === 500) deps.report(error);
    return refuse(
      res,
      status,
      status === 500
        ? 'The server failed. Nothing was stored; try again.'
        : 'The request cannot be read.',
    );
  };
  app.use(onError);
  return app;
}
