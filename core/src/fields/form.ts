import type { FieldFrame, FieldLetters, Sign, WidgetPlace } from '../kinds/index.ts';

/** What a field is for. Buttons and places for signatures are shown, not filled in. */
export type FieldSort = 'text' | 'tick' | 'radio' | 'choice' | 'button' | 'signature';

/** One place of a field, on a page of its file. */
export interface FormWidget extends WidgetPlace {
  /** Of its file, from 0. */
  readonly page: number;
  /** What that state is called to people; empty for what is not switched. */
  readonly says: string;
  /** It is switched on in the file. */
  readonly isOn: boolean;
  /** Null for what is switched. */
  readonly letters: FieldLetters | null;
  /** `#rrggbb`, of letters and signs. */
  readonly colour: string;
  readonly frame: FieldFrame;
  /** What is drawn where it is switched on; null where the file draws that itself. */
  readonly sign: Sign | null;
  /** The file brings a picture of it. */
  readonly isDrawn: boolean;
}

/** One of several things that can be chosen. */
export interface Choice {
  /** As the form has it. */
  readonly value: string;
  readonly says: string;
}

/** A field of a form (ISO 32000-1 §12.7.3–4). */
export interface FormField {
  /** In full: those of the fields around it and its own, with points between. */
  readonly name: string;
  /** What it is called to people. */
  readonly label: string;
  readonly sort: FieldSort;
  readonly readOnly: boolean;
  readonly required: boolean;
  /** As the file has it. */
  readonly value: readonly string[];
  /** Characters at most; any number with null. */
  readonly longest: number | null;
  /** What can be chosen; none of what is not chosen. */
  readonly choices: readonly Choice[];
  /** Something else than the choices may be typed. */
  readonly free: boolean;
  /** Several may be chosen. */
  readonly several: boolean;
  /** What is switched on cannot be switched off by itself. */
  readonly staysOn: boolean;
  /** The names of the fields that the form works it out of, null where it does not say; not worked out at all with undefined. */
  readonly sum?: readonly string[] | null;
  /** How a day is to be written, as "dd/mm/yyyy"; empty where the form says nothing. */
  readonly pattern: string;
  readonly widgets: readonly FormWidget[];
}

/** In which order Tab leads from field to field of a page: by rows, by columns, or as they stand in the file. */
export type TabOrder = 'rows' | 'columns' | 'file';

/** The form of a file. */
export interface Form {
  readonly fields: readonly FormField[];
  /** By page, from 0: what the file says of each. */
  readonly tabs: ReadonlyMap<number, TabOrder>;
  /** A form of the other notation (XFA) stands beside these fields, or is all there is. */
  readonly xfa: 'none' | 'beside' | 'only';
}

export const NO_FORM: Form = { fields: [], tabs: new Map(), xfa: 'none' };

/** Whether a field can be filled in. What the form would work out is typed by hand: nothing of it is run. */
export const isFillable = ({ sort, readOnly, sum }: FormField): boolean =>
  sort !== 'button' && sort !== 'signature' && (!readOnly || sum !== undefined);
