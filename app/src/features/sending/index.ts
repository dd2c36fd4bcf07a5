import { late } from '@/shell';

export { sendingFeature } from './feature';
export const SentSheet = late(async () => (await import('./SentSheet')).SentSheet);
