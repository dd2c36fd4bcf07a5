export { isOverdue, type ListedTask, listTasks, type TaskState } from './listTasks.ts';
export { type TaskRecord, taskRecords, type TaskSource } from './taskRecords.ts';
export { taskCalendar } from './taskCalendar.ts';
export { cuttingOf } from './cuttingOf.ts';
export { taskTable } from './taskTable.ts';
