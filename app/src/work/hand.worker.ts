import { type InkSample, quantiseSamples, readHand } from '@marginalis/core/ink';
import type { HandReply, HandRequest } from './handReader';

/** Turns of a line like writing, and samples a turn: enough for the browser to make the code fast. */
const TURNS = 3;
const SAMPLES = 60;

/** A loop with a little noise, read once so that the first stroke of a person does not wait. */
const trial: InkSample[] = Array.from({ length: TURNS * SAMPLES }, (_, i) => {
  const u = (2 * Math.PI * i) / SAMPLES;
  return { x: i / 3 + Math.sin(7 * i) / 10, y: 20 * Math.sin(u), t: 4 * i, pressure: 0.5 };
});
readHand(quantiseSamples(trial));

self.onmessage = ({ data }: MessageEvent<HandRequest>) => {
  const reply: HandReply = { id: data.id, hand: readHand(quantiseSamples(data.samples)) };
  self.postMessage(reply);
};
