import { late } from '@/shell';

export { picturesFeature } from './feature';
export const PhotographForDesk = late(
  async () => (await import('./photographs/PhotographForDesk')).PhotographForDesk,
);
