import { type RequestHandler, Router } from 'express';
import type { CountHits } from '../http/security.ts';
import type { PageArtist } from '../pictures/artist.ts';
import { answerRoutes } from './answerRoutes.ts';
import { guestRoutes } from './guestRoutes.ts';
import type { LinkStore } from './linkStore.ts';
import { ownerRoutes } from './ownerRoutes.ts';
import { pageRoutes } from './pageRoutes.ts';

/** Everything below `/api/links`. */
export const linkRoutes = (deps: {
  store: LinkStore;
  artist: PageArtist;
  now: () => number;
  uploadLimit: RequestHandler;
  report: (error: unknown) => void;
  countHits: CountHits;
}): Router =>
  Router().use(ownerRoutes(deps), guestRoutes(deps), pageRoutes(deps), answerRoutes(deps));
