import {
  type SentTasks,
  tasksTakenSchema,
  type Tracker,
  trackerSchema,
} from '@marginalis/core/wire';
import { askJson } from './server';

/** Where the server sends tasks to, if anywhere. */
export const readTracker = (): Promise<Tracker> =>
  askJson<Tracker>(trackerSchema, '/api/tasks/tracker');

/** Sends tasks to the tracker; how many it took. */
export const sendTasks = async (tasks: SentTasks): Promise<number> => {
  const { taken } = await askJson(tasksTakenSchema, '/api/tasks', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(tasks),
  });
  return taken;
};
