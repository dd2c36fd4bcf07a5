import { array, type InferType, number, object, string } from 'yup';
import { attachmentShape } from '../document/index.ts';

/** Tasks that are sent at once. */
export const MOST_TASKS = 500;
/** Bytes of tasks that are sent at once, and so those of the largest picture with what a task says. */
export const MOST_TASK_BYTES = 2_000_000;
/** Characters of what a task says that are sent. */
export const MOST_SAID = 4000;

const words = string().strict().defined().max(MOST_SAID);

const sentTaskSchema = object({
  id: string().strict().required().max(100),
  number: number().integer().min(1).required(),
  document: words,
  kind: words,
  title: words,
  who: words,
  until: string()
    .strict()
    .defined()
    .matches(/^(\d{4}-\d\d-\d\d)?$/),
  state: string().oneOf(['to-do', 'begun', 'done']).required(),
  page: words,
  about: words,
  says: words,
  picture: attachmentShape.pick(['name', 'type', 'data']).noUnknown().nullable().defined(),
  labels: array(words).strict().required().max(100),
  author: words,
  madeAt: words,
  changedAt: words,
  doneAt: words,
}).noUnknown();

/** Tasks on their way to a tracker. */
export const sentTasksSchema = object({
  tasks: array(sentTaskSchema.required()).strict().required().min(1).max(MOST_TASKS),
})
  .noUnknown()
  .required();
export type SentTasks = InferType<typeof sentTasksSchema>;

/** Where tasks can be sent: the host of the tracker that is set, or null. */
export const trackerSchema = object({ tracker: string().strict().nullable().defined().max(300) });
export type Tracker = InferType<typeof trackerSchema>;

/** How many tasks the tracker took. */
export const tasksTakenSchema = object({ taken: number().integer().min(0).required() });
