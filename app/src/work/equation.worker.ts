import { EquationRefusal } from '@marginalis/core/equations';
import { setEquation } from '@marginalis/core/equation-setter';
import type { EquationReply, EquationRequest } from './equationSetter';

function answer({ tex, isInline }: EquationRequest): EquationReply {
  try {
    return { is: 'set', outline: setEquation(tex, isInline) };
  } catch (e) {
    if (e instanceof EquationRefusal) return { is: 'refused', message: e.message, place: e.place };
    return { is: 'failed', message: e instanceof Error ? e.message : String(e) };
  }
}

self.onmessage = ({ data }: MessageEvent<EquationRequest>) => self.postMessage(answer(data));

// What is read and made ready until here is large: the clock of the first equation runs from now.
self.postMessage({ is: 'ready' } satisfies EquationReply);
