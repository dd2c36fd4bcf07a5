import { randomUUID } from 'node:crypto';
import {
  answerSchema,
  type KeptAnswer,
  keptAnswerSchema,
  MOST_ANSWERS,
  MOST_NOTES_BYTES,
  type SharedNote,
  sharedNotesSchema,
} from '@marginalis/core/wire';
import express, { type RequestHandler, type Response, Router } from 'express';
import { ValidationError } from 'yup';
import { refuse } from '../http/refuse.ts';
import type { LinkStore } from './linkStore.ts';
import { ownedBy } from './owned.ts';
import { refusalOf } from './refusalOf.ts';
import { type OfLink, type Visited, visiting } from './visiting.ts';

const NONE_MAY_ANSWER = 'Notes of this document cannot be answered here.';
/** Of an answer as it is sent, bytes. */
const MOST_BODY = 32 * 1024;

/** An answer as it is kept; none where a crash has left half a line. */
function answerIn(line: string): KeptAnswer[] {
  try {
    return [keptAnswerSchema.validateSync(JSON.parse(line))];
  } catch (e) {
    if (e instanceof SyntaxError || e instanceof ValidationError) return [];
    throw e;
  }
}

/** Notes and what guests answer: `PUT /:token/notes` puts them beside a copy, `GET /:token/notes` shows them, `POST /:token/answers` answers one, `GET /:token/answers` tells the owner. */
export function answerRoutes(deps: {
  store: LinkStore;
  now: () => number;
  uploadLimit: RequestHandler;
}): Router {
  const { store, now, uploadLimit } = deps;
  const visited = visiting(store, now);
  const owned = ownedBy(store, now);
  const router = Router();

  const answersTo = async (hash: string): Promise<KeptAnswer[]> =>
    (await store.answers(hash)).flatMap(answerIn);
  const notesOf = async (hash: string): Promise<SharedNote[]> =>
    sharedNotesSchema.cast(JSON.parse((await store.notes(hash)) ?? '[]'));

  /** A link whose notes may be answered, for those it lets in. */
  async function answerable(req: OfLink, res: Response): Promise<Visited | null> {
    const link = await visited(req, res);
    if (!link || link.record.mayAnswer) return link;
    refuse(res, 403, NONE_MAY_ANSWER);
    return null;
  }
  /** Answers in words where it cannot be taken. */
  async function taken(res: Response, work: () => Promise<unknown>): Promise<void> {
    try {
      await work();
    } catch (e) {
      const refusal = refusalOf(e);
      if (!refusal) throw e;
      refuse(res, ...refusal);
    }
  }

  router.put(
    '/:token/notes',
    uploadLimit,
    express.json({ limit: MOST_NOTES_BYTES }),
    async (req: OfLink, res) => {
      const link = await owned(req, res);
      if (!link) return;
      if (!link.record.mayAnswer) return void refuse(res, 403, NONE_MAY_ANSWER);
      await taken(res, async () => {
        const notes = await sharedNotesSchema.validate(req.body, { stripUnknown: true });
        await store.keepNotes(link.hash, JSON.stringify(notes));
        res.status(204).end();
      });
    },
  );

  router.get('/:token/notes', async (req: OfLink, res) => {
    const link = await answerable(req, res);
    if (!link) return;
    const [notes, answers] = [await notesOf(link.hash), await answersTo(link.hash)];
    res.set('cache-control', 'no-store').json({ notes, answers });
  });

  router.post(
    '/:token/answers',
    uploadLimit,
    express.json({ limit: MOST_BODY }),
    async (req: OfLink, res) => {
      const link = await answerable(req, res);
      if (!link) return;
      const { hash, guest } = link;
      await taken(res, async () => {
        const said = await answerSchema.validate(req.body, { stripUnknown: true });
        if (!(await notesOf(hash)).some(({ id }) => id === said.note))
          throw new ValidationError('the note is not there any more');
        // Who has said a name to get in goes by that.
        const name = guest.name || said.name;
        const answer: KeptAnswer = { ...said, name, id: randomUUID(), at: now() };
        if (!(await store.addAnswer(hash, JSON.stringify(answer), MOST_ANSWERS)))
          return refuse(
            res,
            409,
            'This document has been answered so often that no more is taken.',
          );
        return res.status(201).set('cache-control', 'no-store').json(answer);
      });
    },
  );

  router.get('/:token/answers', async (req: OfLink, res) => {
    const link = await owned(req, res);
    if (link) res.set('cache-control', 'no-store').json(await answersTo(link.hash));
  });
  return router;
}
