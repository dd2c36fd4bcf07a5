import type { Response } from 'express';
import { refuse } from '../http/refuse.ts';
import type { LinkRecord } from './linkRecord.ts';
import { stateOfLink } from './linkState.ts';
import type { LinkStore } from './linkStore.ts';
import { matchesHash } from './tokens.ts';
import type { OfLink } from './visiting.ts';

export const isOwner = (req: OfLink, record: LinkRecord): boolean =>
  matchesHash(/^Bearer (.+)$/.exec(req.get('authorization') ?? '')?.[1] ?? '', record.ownerKeyHash);

export const NOT_YOURS = 'Only the person who made this link can do that.';

/** A link that is there, for the person who made it. Answers everybody else. */
export const ownedBy =
  (store: LinkStore, now: () => number) =>
  async (
    req: OfLink,
    res: Response,
  ): Promise<{ readonly hash: string; readonly record: LinkRecord } | null> => {
    const state = await stateOfLink(store, req.params.token, now());
    if (state.ok && isOwner(req, state.record)) return state;
    if (state.ok) refuse(res, 403, NOT_YOURS);
    else refuse(res, state.status, state.message);
    return null;
  };
