// Where the process that draws begins: it reads TypeScript as the server does.
import { register } from 'tsx/esm/api';

register();
await import('./artistProcess.ts');
