export { type Meaning, meaningSchema, type Sense, WORD_PATTERN } from './meaning.ts';
export { fileStem, pdfFileName } from './fileName.ts';
export {
  LINK_DAYS,
  MOST_LINK_BYTES,
  TOKEN_PATTERN,
  isExpired,
  type LinkRequest,
  linkRequestSchema,
  type LinkCreated,
  linkCreatedSchema,
  type SharedDocument,
  sharedDocumentSchema,
  type DemoList,
  demoListSchema,
  refusalSchema,
} from './link.ts';
export {
  MOST_SAID,
  MOST_TASK_BYTES,
  MOST_TASKS,
  type SentTasks,
  sentTasksSchema,
  tasksTakenSchema,
  type Tracker,
  trackerSchema,
} from './tasks.ts';
