// Where the worker begins: what reads TypeScript for the server does not do so in its workers.
import { register } from 'tsx/esm/api';

register();
await import('./artist.worker.ts');
