import { Router } from 'express';
import { asForeignBytes } from '../http/foreign.ts';
import { escape, htmlPage } from '../http/htmlPage.ts';
import { plainPage } from '../http/plainPage.ts';
import type { Outbox, OutboxEntry } from '../mail/outbox.ts';

/**
 * Shows what a simulated mail service would have sent: `GET /` a page of mails, `GET /:id.eml` one as it would have left.
 */
export function outboxPages(outbox: Outbox): Router {
  const router = Router();
  router.get('/', async (_req, res) => {
    const mails = await outbox.list();
    res.set('cache-control', 'no-store').type('html').send(page(mails));
  });
  router.get('/:name', async (req, res) => {
    const id = /^(.+)\.eml$/.exec(req.params.name)?.[1] ?? '';
    const mail = await outbox.read(id);
    if (!mail)
      return res
        .status(404)
        .type('html')
        .send(plainPage('No such mail', 'It is not in the outbox any more.'));
    asForeignBytes(res, 'message/rfc822', `mail-${id}.eml`);
    return res.send(mail);
  });
  return router;
}

const size = (bytes: number): string =>
  bytes < 1e6 ? `${Math.ceil(bytes / 1000)} kB` : `${(bytes / 1e6).toFixed(1)} MB`;

const card = ({ id, at, to, subject, text, attached, size: bytes }: OutboxEntry): string => `
<li>
  <h2>${escape(subject)}</h2>
  <p class="quiet">To ${escape(to.join(', '))} · <time>${new Date(at).toISOString().slice(0, 16).replace('T', ' ')} UTC</time></p>
  <p class="text">${escape(text)}</p>
  <p>${escape(attached)} <span class="quiet">${size(bytes)}</span></p>
  <p><a href="/stand-ins/outbox/${id}.eml">The whole mail</a></p>
</li>`;

const STYLE = `  main { max-width: 42rem; margin: 0 auto; padding: 1.5rem 1rem 3rem; font-size: 1.0625rem; }
  h2 { font: 600 1.125rem/1.3 Title, Georgia, serif; margin: 0; }
  ul { list-style: none; padding: 0; display: grid; gap: 0.75rem; }
  li { background: var(--card); border: 1px solid var(--edge); border-radius: 4px; padding: 0.875rem 1rem; }
  p { margin: 0.375rem 0 0; overflow-wrap: anywhere; }
  .text { white-space: pre-wrap; }
  .quiet { color: var(--quiet); }
  a { color: var(--accent); display: inline-block; padding: 0.25rem 0; }`;

const page = (mails: readonly OutboxEntry[]): string =>
  htmlPage(
    'Outbox',
    STYLE,
    `<p>Mail that was sent from here with the sample data. It is kept on this server and goes nowhere.</p>
${mails.length === 0 ? '<p>Nothing was sent yet.</p>' : `<ul>${mails.map(card).join('')}</ul>`}`,
  );
