import { Router } from 'express';
import { asForeignBytes } from '../http/foreign.ts';
import { escape } from '../http/htmlPage.ts';
import { plainPage } from '../http/plainPage.ts';
import { keptPage, sizeInWords, timeInWords } from './keptPage.ts';
import type { Outbox, OutboxEntry } from './outbox.ts';

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

const card = ({ id, at, to, subject, text, attached, size }: OutboxEntry): string => `
  <h2>${escape(subject)}</h2>
  <p class="quiet">To ${escape(to.join(', '))} · ${timeInWords(at)}</p>
  <p class="text">${escape(text)}</p>
  <p>${escape(attached)} <span class="quiet">${sizeInWords(size)}</span></p>
  <p><a href="/stand-ins/outbox/${id}.eml">The whole mail</a></p>`;

const page = (mails: readonly OutboxEntry[]): string =>
  keptPage(
    'Outbox',
    'Mail that was sent from here with the sample data. It is kept on this server and goes nowhere.',
    mails.map(card),
    'Nothing was sent yet.',
  );
