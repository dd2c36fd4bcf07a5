import type { WorkRequest } from './contract';
import { look } from './lookHost';

self.onmessage = (event: MessageEvent<WorkRequest>) => {
  void look(event.data, (message) => self.postMessage(message));
};
