import { existsSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { createApp } from './app.ts';
import { openLinks } from './links/openLinks.ts';
import { startSweeping } from './links/sweeping.ts';
import { serviceMailer } from './mail/serviceMailer.ts';
import { startArtist } from './pictures/startArtist.ts';
import { openOutbox } from './standins/outbox.ts';
import { openDevices } from './standins/standInRoutes.ts';
import { trackerAt } from './tasks/tracker.ts';

const root = resolve(dirname(fileURLToPath(import.meta.url)), '../..');
const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' });
const port = Number(process.env.PORT ?? 4173);
const appFolder = process.env.APP_FOLDER ?? join(root, 'app/dist');
const demoFolder = process.env.DEMO === '1' ? join(root, 'demo/documents') : null;
/** What is on its way when the server is to end has so long, ms. */
const PATIENCE = 20_000;

if (!existsSync(join(appFolder, 'index.html'))) {
  console.error('The application is not built yet. Run: npm run build');
  process.exit(1);
}

/** Requests and uploads a minute from one address; raised where one machine plays all the guests. */
const perMinute = Number(process.env.LINK_REQUESTS);
const limits = perMinute > 0 ? { requests: perMinute, uploads: perMinute } : undefined;
const report = (error: unknown): void => log.error(error);
/** DATABASE_URL: a PostgreSQL database, which several servers can share; a folder without. */
const { links, countHits, close } = await openLinks(
  {
    database: process.env.DATABASE_URL?.trim() || undefined,
    folder: process.env.DATA_FOLDER ?? join(root, 'server/data/links'),
  },
  report,
);
/** TRUSTED_PROXIES: a number of proxies in front, or their addresses or networks with commas between. */
const proxies = process.env.TRUSTED_PROXIES?.trim() || undefined;
const trustedProxies =
  proxies === undefined
    ? undefined
    : /^\d+$/.test(proxies)
      ? Number(proxies)
      : proxies.split(',').map((p) => p.trim());
/** With the sample data tasks go to the tracker that stands in, unless another is set. */
const trackerAddress =
  process.env.TRACKER?.trim() || (demoFolder && `http://localhost:${port}/stand-ins/tracker/tasks`);

/** With the sample data mail goes into an outbox, unless a mail service is set: MAIL_SERVICE and MAIL_FROM. */
const mailService = process.env.MAIL_SERVICE?.trim();
const mailFrom = process.env.MAIL_FROM?.trim();
if (mailService && !mailFrom) {
  console.error('MAIL_SERVICE needs MAIL_FROM, the address that mail comes from.');
  process.exit(1);
}
const outbox =
  demoFolder && !mailService
    ? await openOutbox(process.env.OUTBOX_FOLDER ?? join(root, 'server/data/outbox'), Date.now)
    : null;
/** With the sample data a printer and a share sheet stand in for browsers that have none. */
const devices = demoFolder
  ? await openDevices(process.env.DEVICES_FOLDER ?? join(root, 'server/data/devices'), Date.now)
  : null;

const artist = startArtist(new URL('./pictures/artistProcess.mjs', import.meta.url), report);
const app = createApp({
  links,
  artist,
  now: Date.now,
  appFolder,
  demoFolder,
  tracker: trackerAddress ? trackerAt(trackerAddress) : null,
  mailer: mailService && mailFrom ? serviceMailer(mailService, mailFrom) : outbox,
  outbox,
  devices,
  report,
  log,
  limits,
  countHits,
  trustedProxies,
});

const endSweeping = startSweeping((now) => void links.sweep(now).catch(report));

const server = app.listen(port, (error?: Error) => {
  if (error) {
    const taken = (error as NodeJS.ErrnoException).code === 'EADDRINUSE';
    console.error(
      taken ? `Port ${port} is in use. Choose another: PORT=4200 npm run demo` : String(error),
    );
    process.exit(1);
  }
  const { port: at } = server.address() as AddressInfo;
  console.log(`Marginalis is at http://localhost:${at}`);
});
server.requestTimeout = 120_000;
server.headersTimeout = 20_000;

/** Requests that are on their way. */
let active = 0;
let isEnding = false;
/** Browsers hold connections ready that they ask nothing by; none of these is waited for. */
const closeIfIdle = (): void => {
  if (isEnding && active === 0) server.closeAllConnections();
};
server.on('request', (_req, res) => {
  active++;
  res.on('close', () => {
    active--;
    closeIfIdle();
  });
});

for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.once(signal, () => {
    endSweeping();
    // What is on its way is brought to its end; nobody new is let in.
    server.close(() => {
      artist.close();
      close()
        .catch(report)
        .finally(() => process.exit(0));
    });
    isEnding = true;
    closeIfIdle();
    setTimeout(() => server.closeAllConnections(), PATIENCE).unref();
  });
