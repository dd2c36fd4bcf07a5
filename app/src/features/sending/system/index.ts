export { canCopyPicture, copyPicture } from './clipboard';
export type { Handing } from './handing';
export { StandsIn } from './StandsIn';
export { type SystemWays, useSystemWays } from './useSystemWays';
