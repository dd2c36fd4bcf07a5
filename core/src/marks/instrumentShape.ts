import { boolean, lazy, mixed, number, object, type Schema, string } from 'yup';
import { ALIGNMENTS, FAMILIES, LISTS } from '../type/index.ts';
import {
  DRAWN_SHAPES,
  ERASER_ONLY,
  ERASER_TAKES,
  type InstrumentKind,
  PICKER_SHAPES,
} from './instrument.ts';
import { WORD_MANNERS } from './wordManners.ts';
import { colourShape, shareShape } from './markShape.ts';
import { finite, nibShape } from './nibShape.ts';

const named = { id: string().required(), kind: string().required(), name: string().required() };
const widthMm = finite.min(0.05).max(50);
const ink = {
  ...named,
  colour: colourShape,
  widthMm,
  opacity: shareShape,
  nib: nibShape.required(),
  steadiness: number().min(0).max(100).required(),
  tidy: string().oneOf(['ask', 'always', 'never']).required(),
  straight: boolean().required(),
  /** Earlier releases knew none. */
  alongPrint: boolean().default(false),
};
const oneOf = (all: readonly string[], usual: string) =>
  string()
    .oneOf([...all])
    .default(usual);

const writing = object(ink);
const shapes: Record<InstrumentKind, Schema> = {
  pen: writing,
  pencil: writing,
  brush: writing,
  highlighter: writing,
  'figure-pen': object({
    ...ink,
    shape: oneOf(DRAWN_SHAPES, 'freehand'),
    even: boolean().default(false),
    fromCentre: boolean().default(false),
  }),
  eraser: object({
    ...named,
    widthMm,
    colour: colourShape,
    takes: oneOf(ERASER_TAKES, 'whole'),
    only: oneOf(ERASER_ONLY, 'everything'),
  }),
  picker: object({ ...named, encloses: oneOf(PICKER_SHAPES, 'lasso') }),
  'word-picker': object(named),
  'link-maker': object(named),
  corrector: object(named),
  redactor: object(named),
  'word-marker': object({
    ...named,
    colour: colourShape,
    opacity: shareShape,
    widthMm,
    manner: oneOf(WORD_MANNERS, 'highlight'),
  }),
  'text-box': object({
    ...named,
    colour: colourShape,
    family: oneOf(FAMILIES, 'sans'),
    size: finite.min(2).max(400),
    bold: boolean().required(),
    italic: boolean().required(),
    underline: boolean().required(),
    align: oneOf(ALIGNMENTS, 'start'),
    leading: finite.min(0.5).max(5),
    padding: finite.min(0).max(200),
    background: object({ colour: colourShape, opacity: shareShape }).nullable().defined(),
    border: finite.min(0).max(50),
    cell: finite.min(0).max(400).default(0),
    list: oneOf(['none', ...LISTS], 'none'),
    fits: boolean().default(false),
    leads: boolean().default(false),
  }),
};

/**
 * What a stored instrument must be, by its kind. Instruments of earlier releases had all that any has: what this kind does
 * not have goes when they are cast with `stripUnknown`.
 */
export const instrumentShape = lazy((value: { kind?: unknown } | undefined) => {
  const kind = String(value?.kind);
  return Object.hasOwn(shapes, kind)
    ? shapes[kind as InstrumentKind].required()
    : mixed().required().oneOf([], 'instrument has an unknown kind');
});
