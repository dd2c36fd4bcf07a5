/** What is drawn around the words of a stamp. */
export const STAMP_FORMS = ['frame', 'double', 'ring', 'pennant', 'tag', 'underlined'] as const;
export type StampForm = (typeof STAMP_FORMS)[number];

/** A stamp as it is kept, to be put on pages again and again. */
export interface StampDesign {
  readonly id: string;
  /** What it says; `{name}`, `{date}`, `{time}`, `{title}` and `{page}` are filled in when it is put on a page. */
  readonly says: string;
  readonly form: StampForm;
  /** `#rrggbb`, of its lines and letters. */
  readonly colour: string;
  /** Of its letters, points. */
  readonly size: number;
}

/** What is filled in when a stamp is put on a page; empty where there is nothing. */
export interface StampFields {
  readonly name: string;
  readonly date: string;
  readonly time: string;
  readonly title: string;
  readonly page: string;
  /** How often it has been put on pages, this time too; nothing where nobody counts. */
  readonly number?: string;
}

const FIELD = /\{(name|date|time|title|page|number)\}/g;

/** A text with its fields filled in, and nothing else changed. */
export const withFields = (text: string, fields: StampFields): string =>
  text.replace(FIELD, (_, field: keyof StampFields) => fields[field] ?? '');

/** What a stamp says on a page: spaces around what is empty go with it. */
export const filledIn = (says: string, fields: StampFields): string =>
  withFields(says, fields)
    .replace(/\s+/g, ' ')
    .replace(/^[\s·,–-]+|[\s·,–-]+$/g, '')
    .trim();
