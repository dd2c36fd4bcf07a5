import type { WorkRequest } from './contract';
import { serve } from './host';

self.onmessage = (event: MessageEvent<WorkRequest>) => {
  void serve(event.data, (message) => self.postMessage(message));
};
