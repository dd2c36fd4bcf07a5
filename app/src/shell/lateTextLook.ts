import { late } from './late';

export const TextLook = late(async () => (await import('./TextLook')).TextLook);
