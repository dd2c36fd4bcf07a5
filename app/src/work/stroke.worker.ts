import { finishStroke } from '@marginalis/core/editing';
import { type InkSample, packSamples } from '@marginalis/core/ink';
import { FIRST_ROLL } from '@marginalis/core/marks';
import type { StrokeReply, StrokeRequest } from './strokeFinisher';

/** Turns of a line like writing, and samples a turn: enough for the browser to make the code fast. */
const TURNS = 3;
const SAMPLES = 60;

/** A loop with a little noise, finished once so that the first stroke of a person does not wait. */
const trial: InkSample[] = Array.from({ length: TURNS * SAMPLES }, (_, i) => {
  const u = (2 * Math.PI * i) / SAMPLES;
  return { x: i / 3 + Math.sin(7 * i) / 10, y: 20 * Math.sin(u), t: 4 * i, pressure: 0.5 };
});
finishStroke({ instrument: FIRST_ROLL[0], samples: packSamples(trial), before: [] });

self.onmessage = ({ data }: MessageEvent<StrokeRequest>) => {
  const reply: StrokeReply = { id: data.id, finished: finishStroke(data.work) };
  self.postMessage(reply);
};
