import { parse as readCookies } from 'cookie';
import type { Request, Response } from 'express';
import { refuse } from '../http/refuse.ts';
import type { LinkRecord } from './linkRecord.ts';
import { stateOfLink } from './linkState.ts';
import type { LinkStore } from './linkStore.ts';
import { type Guest, readVisit, VISIT_COOKIE } from './visits.ts';

export type OfLink = Request<{ token: string }>;

/** A link that is there, and who has come. */
export interface Visited {
  readonly hash: string;
  readonly record: LinkRecord;
  readonly guest: Guest;
}

const NOBODY: Guest = { name: '' };

export const asksOf = ({
  password,
  asksName,
}: LinkRecord): { password: boolean; name: boolean } => ({
  password: password !== null,
  name: asksName,
});

/** Whom a link lets in: anybody, or those who have said what it asks for. Answers the others. */
export const visiting =
  (store: LinkStore, now: () => number) =>
  async (req: OfLink, res: Response): Promise<Visited | null> => {
    const state = await stateOfLink(store, req.params.token, now());
    if (!state.ok) {
      refuse(res, state.status, state.message);
      return null;
    }
    const { hash, record } = state;
    const asks = asksOf(record);
    if (!asks.password && !asks.name) return { hash, record, guest: NOBODY };
    const visit = readCookies(req.get('cookie') ?? '')[VISIT_COOKIE];
    const guest = readVisit(visit, record.visitKey, hash, now());
    if (guest) return { hash, record, guest };
    const message = `This document asks for ${asks.password ? 'a password' : 'your name'}.`;
    res.status(401).set('cache-control', 'no-store').json({ message, asks });
    return null;
  };
