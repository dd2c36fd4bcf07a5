import { PICTURE_WIDTHS } from '@marginalis/core/wire';
import { type Response, Router } from 'express';
import { refuse } from '../http/refuse.ts';
import { CannotDraw, type PageArtist, TooBusy } from '../pictures/artist.ts';
import type { LinkStore } from './linkStore.ts';
import { type OfLink, type Visited, visiting } from './visiting.ts';

type OfPage = OfLink & { params: { token: string; number: string } };

const PAGE_NUMBER = /^[1-9]\d{0,5}$/;

const NO_SUCH_PAGE = 'There is no such page.';

/** The page that is asked for, from 0; -1 for what is no number of a page. */
const indexIn = ({ params: { number } }: OfPage): number =>
  PAGE_NUMBER.test(number) ? Number(number) - 1 : -1;

/** What guests get where a link gives pictures: `GET /:token/pages` their sizes, `GET /:token/pages/:number` a picture, `GET /:token/pages/:number/words` what is written there. */
export function pageRoutes(deps: {
  store: LinkStore;
  artist: PageArtist;
  now: () => number;
  report: (error: unknown) => void;
}): Router {
  const { store, artist, now, report } = deps;
  const visited = visiting(store, now);
  const router = Router();

  /** Answers with what `look` makes of the file of a link that gives pictures. */
  async function looked(
    req: OfLink,
    res: Response,
    look: (file: string, visited: Visited) => Promise<unknown>,
  ): Promise<void> {
    const link = await visited(req, res);
    if (!link) return;
    if (link.record.access !== 'pictures') {
      refuse(res, 404, 'This link gives the document itself.');
      return;
    }
    const file = await store.filePath(link.hash);
    if (!file) {
      refuse(res, 410, 'The file of this link is no longer on the server.');
      return;
    }
    res.set('cache-control', 'no-store');
    try {
      await look(file, link);
    } catch (e) {
      if (e instanceof TooBusy) {
        res.set('retry-after', '2');
        refuse(res, 503, 'Many look at documents here just now. Try again in a moment.');
      } else if (e instanceof CannotDraw) refuse(res, 422, 'This page cannot be shown.');
      else throw e;
    }
  }
  router.get('/:token/pages', (req: OfLink, res) =>
    looked(req, res, async (file, { hash }) => {
      const sizes = await artist.sizes(file);
      if (req.method === 'GET') await store.opened(hash, now()).catch(report);
      res.json(sizes);
    }),
  );

  router.get('/:token/pages/:number', (req: OfPage, res) =>
    looked(req, res, async (file, { guest }) => {
      const width = PICTURE_WIDTHS.find((w) => String(w) === req.query.width);
      if (!width) return refuse(res, 400, `Pictures are ${PICTURE_WIDTHS.join(', ')} pixels wide.`);
      const index = indexIn(req);
      const picture =
        index < 0
          ? null
          : await artist.picture({ file, index, width, written: signed(guest.name) });
      if (!picture) return refuse(res, 404, NO_SUCH_PAGE);
      return res
        .type('image/jpeg')
        .set('content-security-policy', "default-src 'none'; frame-ancestors 'none'")
        .set('cross-origin-resource-policy', 'same-origin')
        .send(Buffer.from(picture));
    }),
  );

  router.get('/:token/pages/:number/words', (req: OfPage, res) =>
    looked(req, res, async (file, { record }) => {
      if (!record.mayCopy) return refuse(res, 403, 'Words of this document may not be copied.');
      const index = indexIn(req);
      const text = index < 0 ? null : await artist.words(file, index);
      return text === null ? refuse(res, 404, NO_SUCH_PAGE) : res.json({ text });
    }),
  );

  /** Who was shown a page, and when, as it is written over it; nothing where nobody was asked. */
  const signed = (name: string): string =>
    name && `${name} · ${new Date(now()).toISOString().slice(0, 16).replace('T', ' ')} UTC`;
  return router;
}
