import { late } from '@/shell';

export { sendingFeature } from './feature';
export const SendFromDesk = late(async () => (await import('./SendFromDesk')).SendFromDesk);
export const SentSheet = late(async () => (await import('./SentSheet')).SentSheet);
