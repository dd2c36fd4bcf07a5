import { POINTS_PER_MM } from '../ink/index.ts';
import type { MarkStyle } from './mark.ts';

export type InstrumentKind = 'pen' | 'highlighter' | 'figure-pen' | 'eraser';

/** When ink becomes the figure it looks like. */
export type Tidy = 'ask' | 'always' | 'never';

/** A pen, highlighter or eraser with its ink, width and manners. */
export interface Instrument {
  readonly id: string;
  readonly kind: InstrumentKind;
  readonly name: string;
  readonly colour: string;
  /** Millimetres on the paper; for the eraser its diameter. */
  readonly widthMm: number;
  readonly opacity: number;
  readonly thinning: number;
  readonly steadiness: number;
  readonly tidy: Tidy;
}

/** Widths that can be chosen, millimetres. */
export const WIDTHS_MM: Readonly<Record<InstrumentKind, readonly number[]>> = {
  pen: [0.2, 0.35, 0.5, 0.7, 1, 1.5, 2.5],
  'figure-pen': [0.2, 0.35, 0.5, 0.7, 1, 1.5, 2.5],
  highlighter: [2, 3, 4, 5, 6, 8],
  eraser: [2, 3, 4, 6, 8, 12],
};

const pen = { opacity: 1, thinning: 0.5, steadiness: 40, tidy: 'ask' } as const;
const highlighter = {
  kind: 'highlighter',
  opacity: 0.75,
  thinning: 0,
  steadiness: 55,
  tidy: 'never',
} as const;

/** The pen roll a person starts with. */
export const FIRST_ROLL: readonly Instrument[] = [
  { ...pen, id: 'fine-pen', kind: 'pen', name: 'Fine pen', colour: '#1f3361', widthMm: 0.5 },
  { ...pen, id: 'marking-pen', kind: 'pen', name: 'Marking pen', colour: '#c22f17', widthMm: 0.7 },
  {
    ...highlighter,
    id: 'broad-highlighter',
    name: 'Broad highlighter',
    colour: '#ffd91f',
    widthMm: 5,
  },
  {
    ...highlighter,
    id: 'fine-highlighter',
    name: 'Fine highlighter',
    colour: '#86cdf5',
    widthMm: 3,
  },
  {
    ...pen,
    id: 'figure-pen',
    kind: 'figure-pen',
    name: 'Figure pen',
    colour: '#0f7566',
    widthMm: 0.5,
    thinning: 0,
    tidy: 'always',
  },
  {
    id: 'eraser',
    kind: 'eraser',
    name: 'Eraser',
    colour: '#ffffff',
    widthMm: 4,
    opacity: 1,
    thinning: 0,
    steadiness: 0,
    tidy: 'never',
  },
];

export const instrumentStyle = (instrument: Instrument): MarkStyle => ({
  colour: instrument.colour,
  width: instrument.widthMm * POINTS_PER_MM,
  opacity: instrument.opacity,
});
