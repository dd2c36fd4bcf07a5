import { MOST_TASK_BYTES, type SentTasks, sentTasksSchema } from '@marginalis/core/wire';
import express, { Router } from 'express';

type SentTask = SentTasks['tasks'][number];

/** Tasks it keeps; those before them it forgets. */
const MOST_KEPT = 200;

/**
 * Stands in for a tracker of another house where the sample data is shown: takes tasks with `POST /tasks`, one of an id it knows as a change of that, and shows
 * with `GET /tasks` what it has. Keeps nothing beyond its process.
 */
export function simulatedTracker(): Router {
  const kept = new Map<string, SentTask>();
  const router = Router();
  router.get('/tasks', (_req, res) =>
    res.set('cache-control', 'no-store').json({ tasks: [...kept.values()] }),
  );
  router.post('/tasks', express.json({ limit: MOST_TASK_BYTES }), (req, res) => {
    if (!sentTasksSchema.isValidSync(req.body, { strict: true })) return res.status(400).end();
    for (const task of req.body.tasks) {
      kept.delete(task.id);
      kept.set(task.id, task);
    }
    for (const id of kept.keys()) {
      if (kept.size <= MOST_KEPT) break;
      kept.delete(id);
    }
    return res.status(204).end();
  });
  return router;
}
