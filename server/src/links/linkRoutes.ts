import { type RequestHandler, Router } from 'express';
import { guestRoutes } from './guestRoutes.ts';
import type { LinkStore } from './linkStore.ts';
import { ownerRoutes } from './ownerRoutes.ts';

/** Everything below `/api/links`. */
export const linkRoutes = (deps: {
  store: LinkStore;
  now: () => number;
  uploadLimit: RequestHandler;
  report: (error: unknown) => void;
}): Router => Router().use(ownerRoutes(deps), guestRoutes(deps));
