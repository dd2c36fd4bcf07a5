import { WORD_PATTERN } from '@marginalis/core/wire';
import { Router } from 'express';
import { refuse } from '../http/refuse.ts';
import type { Lexicon } from './lexicon.ts';

/** What words mean does not change: browsers may keep it for a day. */
const KEPT = 'public, max-age=86400';

/** `GET /api/words/:word`: its meanings, none where it is not known. */
export function wordRoutes(lexicon: Lexicon): Router {
  const router = Router();
  router.get<{ word: string }>('/:word', async (req, res) => {
    const { word } = req.params;
    if (!WORD_PATTERN.test(word)) return refuse(res, 400, 'This is no word that can be looked up.');
    res.set('cache-control', KEPT);
    return res.json(await lexicon.meaning(word));
  });
  return router;
}
