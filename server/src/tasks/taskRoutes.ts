import { MOST_TASK_BYTES, sentTasksSchema } from '@marginalis/core/wire';
import express, { type RequestHandler, Router } from 'express';
import { ValidationError } from 'yup';
import { refuse } from '../http/refuse.ts';
import { type Tracker, TrackerRefused } from './tracker.ts';

/**
 * `GET /api/tasks/tracker`: where tasks can be sent, if anywhere. `POST /api/tasks`: sends tasks there.
 */
export function taskRoutes(tracker: Tracker | null, sendLimit: RequestHandler): Router {
  const router = Router();
  router.get('/tracker', (_req, res) =>
    res.set('cache-control', 'no-store').json({ tracker: tracker?.host ?? null }),
  );
  router.post('/', sendLimit, express.json({ limit: MOST_TASK_BYTES }), async (req, res) => {
    if (!tracker) return refuse(res, 404, 'No tracker is set on this server.');
    try {
      const sent = await sentTasksSchema.validate(req.body, { strict: true });
      await tracker.send(sent);
      return res.set('cache-control', 'no-store').json({ taken: sent.tasks.length });
    } catch (e) {
      if (e instanceof ValidationError)
        return refuse(res, 400, `The tasks cannot be sent: ${e.message}.`);
      if (e instanceof TrackerRefused) return refuse(res, 502, e.message);
      throw e;
    }
  });
  return router;
}
