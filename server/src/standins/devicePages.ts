import { FILE_NAME_HEADER, MOST_HANDED_OVER_BYTES } from '@marginalis/core/wire';
import express, { type RequestHandler, Router } from 'express';
import { asForeignBytes } from '../http/foreign.ts';
import { escape } from '../http/htmlPage.ts';
import { letGo } from '../http/letGo.ts';
import { plainPage } from '../http/plainPage.ts';
import { refuse } from '../http/refuse.ts';
import { nameOfSent } from '../http/sentFile.ts';
import type { Device, HandedOver } from './device.ts';
import { keptPage, sizeInWords, timeInWords } from './keptPage.ts';

/** What a page says of files that were handed over. */
export interface DeviceWords {
  readonly title: string;
  readonly says: string;
  readonly none: string;
}

/** Null for what cannot be read: a name is anything until it is. */
function decoded(name: string | undefined): string | null {
  try {
    return decodeURIComponent(name ?? '');
  } catch (e) {
    if (e instanceof URIError) return null;
    throw e;
  }
}

/**
 * What stands in for something of a device: `POST /` hands a file over, `GET /` shows what was, `GET /:id` gives one.
 */
export function devicePages(
  device: Device,
  { title, says, none }: DeviceWords,
  limit: RequestHandler,
): Router {
  const router = Router();
  router.get('/', async (req, res) => {
    const at = req.baseUrl;
    const cards = (await device.list()).map((one) => card(one, at));
    res
      .set('cache-control', 'no-store')
      .type('html')
      .send(keptPage(title, says, cards, none));
  });
  router.post(
    '/',
    limit,
    (req, res, next) => {
      if (Number(req.get('content-length') ?? 0) <= MOST_HANDED_OVER_BYTES) return next();
      letGo(req);
      return refuse(res, 413, 'This file is too large for what stands in here. Download it.');
    },
    express.raw({ type: () => true, limit: MOST_HANDED_OVER_BYTES }),
    async (req, res) => {
      const type = (req.get('content-type') ?? '').split(';')[0].trim();
      const said = decoded(req.get(FILE_NAME_HEADER));
      const name = said === null ? null : nameOfSent(said, type);
      if (name === null || !Buffer.isBuffer(req.body) || req.body.length === 0)
        return refuse(res, 400, 'This is no file that leaves from here.');
      await device.take(name, type, req.body);
      return res.status(204).end();
    },
  );
  router.get('/:id', async (req, res) => {
    const { id } = req.params;
    const told = (await device.list()).find((one) => one.id === id);
    const bytes = told && (await device.read(id));
    if (!bytes)
      return res
        .status(404)
        .type('html')
        .send(plainPage('No such file', 'It is not kept here any more.'));
    asForeignBytes(res, told.type, told.name);
    return res.send(bytes);
  });
  return router;
}

const card = ({ id, at, name, size }: HandedOver, page: string): string => `
  <h2>${escape(name)}</h2>
  <p class="quiet">${sizeInWords(size)} · ${timeInWords(at)}</p>
  <p><a href="${page}/${id}">The file</a></p>`;
