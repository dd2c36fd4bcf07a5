export { Stage } from './Stage';
export type { MarkFeed } from './MarkFeed';
export { StageProvider } from './StageProvider';
export { StageContext, useStage, useSight, type StageHold } from './StageContext';
export type { StageController, StageSight } from './StageController';
export { colourUnder } from './colourUnder';
export type { Writer } from './pointers';
