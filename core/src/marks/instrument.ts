import { DRAGGED_KINDS, TAPPED_KINDS } from '../figures/index.ts';
import { type NibManner, PLAIN_NIB, POINTS_PER_MM } from '../ink/index.ts';
import type { Alignment, Family, List } from '../type/index.ts';
import type { Inside, MarkStyle } from './mark.ts';
import type { WordManner } from './wordManners.ts';

export const INSTRUMENT_KINDS = [
  'pen',
  'pencil',
  'brush',
  'highlighter',
  'figure-pen',
  'eraser',
  'picker',
  'word-marker',
  'word-picker',
  'text-box',
  'link-maker',
  'corrector',
  'redactor',
] as const;
export type InstrumentKind = (typeof INSTRUMENT_KINDS)[number];

/** Instruments that put something on the page. */
export const isMarking = (kind: InstrumentKind): boolean => kind !== 'eraser' && !isPicking(kind);
/** Instruments that take something in hand. */
export const isPicking = (kind: InstrumentKind): boolean =>
  kind === 'picker' || kind === 'word-picker';

/** When ink becomes the figure it looks like. */
export type Tidy = 'ask' | 'always' | 'never';

/** What a figure pen draws: whatever the hand means, or one figure outright. */
export const DRAWN_SHAPES = ['freehand', ...DRAGGED_KINDS, ...TAPPED_KINDS] as const;
export type DrawnShape = (typeof DRAWN_SHAPES)[number];

/** What an eraser takes of a mark it touches. */
export const ERASER_TAKES = ['whole', 'part'] as const;
/** Which marks an eraser touches; `ink` those of its own colour. */
export const ERASER_ONLY = ['everything', 'pen', 'highlighter', 'figures', 'ink'] as const;
/** How a picker goes round what it picks. */
export const PICKER_SHAPES = ['lasso', 'rectangle'] as const;

interface Named {
  readonly id: string;
  readonly name: string;
}

/** What writes ink: a pen, pencil, brush or highlighter with its ink, width and manners. */
export interface InkInstrument extends Named {
  readonly kind: 'pen' | 'pencil' | 'brush' | 'highlighter';
  readonly colour: string;
  /** Millimetres on the paper. */
  readonly widthMm: number;
  readonly opacity: number;
  readonly nib: NibManner;
  readonly steadiness: number;
  readonly tidy: Tidy;
  /** Holds the ink to a straight line. */
  readonly straight: boolean;
  /** Lays ink that runs along a line of print straight on it, as high as the line is. */
  readonly alongPrint: boolean;
}

/** Draws figures: whatever the hand means, or one outright. */
export interface FigurePen extends Omit<InkInstrument, 'kind'> {
  readonly kind: 'figure-pen';
  readonly shape: DrawnShape;
  /** Figures drawn outright have even sides, and lines directions in steps of 15°. */
  readonly even: boolean;
  /** Figures drawn outright grow from their centre. */
  readonly fromCentre: boolean;
}

/** Instruments that put something on the page. */
export type WritingInstrument = InkInstrument | FigurePen;

export interface Eraser extends Named {
  readonly kind: 'eraser';
  /** Its diameter, millimetres on the paper. */
  readonly widthMm: number;
  readonly takes: (typeof ERASER_TAKES)[number];
  readonly only: (typeof ERASER_ONLY)[number];
  /** Of the ink it takes, where it takes one ink only. */
  readonly colour: string;
}

export interface Picker extends Named {
  readonly kind: 'picker';
  readonly encloses: (typeof PICKER_SHAPES)[number];
}

/** Marks words as soon as they are gone over. */
export interface WordMarker extends Named {
  readonly kind: 'word-marker';
  readonly manner: WordManner;
  readonly colour: string;
  readonly opacity: number;
  /** Of its lines, millimetres on the paper; a highlight is as high as the words. */
  readonly widthMm: number;
}

/** Selects words. */
export interface WordPicker extends Named {
  readonly kind: 'word-picker';
}

/** Puts links over areas, words and marks, and shows those that are there. */
export interface LinkMaker extends Named {
  readonly kind: 'link-maker';
}

/** Changes lines of the print. */
export interface Corrector extends Named {
  readonly kind: 'corrector';
}

/** Lays bars over what must not leave. */
export interface Redactor extends Named {
  readonly kind: 'redactor';
}

/** Types text onto the page. */
export interface TextInstrument extends Named {
  readonly kind: 'text-box';
  readonly colour: string;
  readonly family: Family;
  /** Points. */
  readonly size: number;
  readonly bold: boolean;
  readonly italic: boolean;
  readonly underline: boolean;
  readonly align: Alignment;
  /** From baseline to baseline, of the size. */
  readonly leading: number;
  /** Between a box and its lines, points. */
  readonly padding: number;
  readonly background: Inside | null;
  /** Width of the box's border, points; 0 for none. */
  readonly border: number;
  /** Each letter stands in a cell of this width, points; 0 where letters stand as they are wide. */
  readonly cell: number;
  /** What stands before each paragraph. */
  readonly list: List | 'none';
  /** Boxes keep their height: letters are as much smaller as that takes. */
  readonly fits: boolean;
  /** Its boxes are callouts: they point at the place that was touched first. */
  readonly leads: boolean;
}

export type Instrument =
  | WritingInstrument
  | Eraser
  | Picker
  | WordMarker
  | WordPicker
  | TextInstrument
  | LinkMaker
  | Corrector
  | Redactor;

/** What of an instrument a person can change. */
export type InstrumentChange = Partial<
  Omit<InkInstrument, 'id' | 'kind'> &
    Omit<FigurePen, 'id' | 'kind'> &
    Omit<Eraser, 'id' | 'kind'> &
    Omit<Picker, 'id' | 'kind'> &
    Omit<WordMarker, 'id' | 'kind'> &
    Omit<TextInstrument, 'id' | 'kind'>
>;

export const writes = (instrument: Instrument): instrument is WritingInstrument =>
  'nib' in instrument;

export type EraserManner = Pick<Eraser, 'takes' | 'only' | 'colour'>;

const PEN_WIDTHS = [0.2, 0.35, 0.5, 0.7, 1, 1.5, 2.5];

/** Widths that can be chosen, millimetres. */
export const WIDTHS_MM: Readonly<Record<InstrumentKind, readonly number[]>> = {
  pen: PEN_WIDTHS,
  pencil: PEN_WIDTHS,
  brush: [0.5, 0.7, 1, 1.5, 2.5, 4, 6],
  'figure-pen': PEN_WIDTHS,
  highlighter: [2, 3, 4, 5, 6, 8],
  eraser: [1, 2, 3, 4, 6, 8, 12],
  picker: [],
  'word-marker': [0.2, 0.3, 0.4, 0.6, 0.8],
  'word-picker': [],
  'text-box': [],
  'link-maker': [],
  corrector: [],
  redactor: [],
};

const ink = {
  opacity: 1,
  steadiness: 40,
  tidy: 'ask',
  straight: false,
  alongPrint: false,
} as const;
const pen = { ...ink, kind: 'pen', nib: { ...PLAIN_NIB, thinning: 0.5 } } as const;
const highlighter = {
  ...ink,
  kind: 'highlighter',
  opacity: 0.75,
  nib: PLAIN_NIB,
  steadiness: 55,
  tidy: 'never',
} as const;
const eraser = { kind: 'eraser', takes: 'whole', only: 'everything', colour: '#1f3361' } as const;

const typed = {
  kind: 'text-box',
  bold: false,
  italic: false,
  underline: false,
  align: 'start',
  leading: 1.25,
  padding: 2,
  background: null,
  border: 0,
  cell: 0,
  list: 'none',
  fits: false,
  leads: false,
} as const;

const wordMarker = { kind: 'word-marker', widthMm: 0.4 } as const;

/** The pen roll a person starts with. */
export const FIRST_ROLL: readonly [
  WritingInstrument,
  WritingInstrument,
  WritingInstrument,
  WritingInstrument,
  FigurePen,
  Eraser,
  Picker,
  WordMarker,
  WordMarker,
  WordPicker,
  TextInstrument,
] = [
  { ...pen, id: 'fine-pen', name: 'Fine pen', colour: '#1f3361', widthMm: 0.5 },
  { ...pen, id: 'marking-pen', name: 'Marking pen', colour: '#c22f17', widthMm: 0.7 },
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
    ...ink,
    id: 'figure-pen',
    kind: 'figure-pen',
    name: 'Figure pen',
    colour: '#0f7566',
    widthMm: 0.5,
    nib: PLAIN_NIB,
    tidy: 'always',
    shape: 'freehand',
    even: false,
    fromCentre: false,
  },
  { ...eraser, id: 'eraser', name: 'Eraser', widthMm: 4 },
  { kind: 'picker', id: 'picker', name: 'Picker', encloses: 'lasso' },
  {
    ...wordMarker,
    id: 'word-highlighter',
    name: 'Word highlighter',
    manner: 'highlight',
    colour: '#a6e36e',
    opacity: 0.75,
  },
  {
    ...wordMarker,
    id: 'word-underliner',
    name: 'Word underliner',
    manner: 'underline',
    colour: '#c22f17',
    opacity: 1,
  },
  { kind: 'word-picker', id: 'word-picker', name: 'Word picker' },
  { ...typed, id: 'answer-text', name: 'Answer text', colour: '#1f3361', family: 'sans', size: 11 },
];

/** What can be added to a pen roll: the first roll's instruments, and those that wait beside it. */
export const INSTRUMENTS: readonly Instrument[] = [
  ...FIRST_ROLL,
  { ...eraser, id: 'part-eraser', name: 'Fine eraser', widthMm: 2, takes: 'part' },
  {
    ...ink,
    id: 'pencil',
    kind: 'pencil',
    name: 'Pencil',
    // Graphite does not darken where lines cross: it covers, and is grey by itself.
    colour: '#55565c',
    widthMm: 0.5,
    nib: { ...PLAIN_NIB, thinning: 0.35, tiltWidening: 0.8, grain: 0.55 },
  },
  {
    ...ink,
    id: 'brush',
    kind: 'brush',
    name: 'Brush',
    colour: '#1b1b1d',
    // Fine enough for writing to be read.
    widthMm: 0.7,
    nib: { ...PLAIN_NIB, thinning: 0.95, response: 1.2, taper: 3 },
    tidy: 'never',
  },
  {
    ...typed,
    id: 'remark-text',
    name: 'Remark text',
    colour: '#c22f17',
    family: 'hand',
    size: 12,
  },
  {
    ...typed,
    id: 'callout',
    name: 'Callout',
    colour: '#c22f17',
    family: 'sans',
    size: 10,
    padding: 4,
    background: { colour: '#ffffff', opacity: 1 },
    border: 0.75,
    leads: true,
  },
  { kind: 'link-maker', id: 'link-maker', name: 'Link maker' },
  { kind: 'corrector', id: 'corrector', name: 'Corrector' },
  { kind: 'redactor', id: 'redactor', name: 'Redactor' },
  {
    ...pen,
    id: 'chisel-pen',
    name: 'Chisel pen',
    colour: '#7a4a1e',
    widthMm: 1.5,
    nib: { ...PLAIN_NIB, thinning: 0.1, edge: { angle: Math.PI / 4, flatness: 0.15 } },
    tidy: 'never',
  },
];

/** How what an instrument writes looks. */
export const instrumentStyle = ({
  colour,
  widthMm,
  opacity,
}: Pick<WordMarker, 'colour' | 'widthMm' | 'opacity'>): MarkStyle => ({
  colour,
  width: widthMm * POINTS_PER_MM,
  opacity,
});

/** How wide an instrument is on the paper, points; 0 where it has no width. */
export const instrumentWidth = (instrument: Instrument): number =>
  'widthMm' in instrument ? instrument.widthMm * POINTS_PER_MM : 0;
