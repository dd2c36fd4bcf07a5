import { PDFArray, PDFDict, type PDFDocument, PDFName, PDFNull } from '@cantoo/pdf-lib';
import {
  type Choice,
  type FieldSort,
  type Form,
  type FormField,
  type FormWidget,
  NO_FORM,
  type TabOrder,
} from '../../fields/index.ts';
import { nameAt } from '../incoming/values.ts';
import { openPdf } from '../openPdf.ts';
import { inherited, numberIn, textIn, textsIn, withParents } from './entries.ts';
import { dayPattern, namesIn, scriptOf } from './scripts.ts';
import { statesOf, widgetOf, type WidgetIn, widgetsIn } from './widgets.ts';

/** Field flags (ISO 32000-1 §12.7.3.1 and §12.7.4). */
const READ_ONLY = 1;
const REQUIRED = 1 << 1;
const MULTILINE = 1 << 12;
const PASSWORD = 1 << 13;
const NO_TOGGLE_TO_OFF = 1 << 14;
const RADIO = 1 << 15;
const PUSH = 1 << 16;
const COMBO = 1 << 17;
const EDIT = 1 << 18;
const MULTI_SELECT = 1 << 21;
const COMB = 1 << 24;

const OFF = 'Off';
/** What boxes are switched to that do not say it: common practice. */
const ON = 'Yes';
const MOST_CHOICES = 5000;

/**
 * Reads the form of a PDF: its fields, and where each is seen. Nothing of it is run. Fields are found by where they are seen, so that a damaged list of them hides none.
 * @throws PdfRefusal
 */
export async function readForm(bytes: Uint8Array, password?: string): Promise<Form> {
  return formOf(await openPdf(bytes, password));
}

/** A field of a file, and where it is seen. */
interface Found {
  readonly line: readonly PDFDict[];
  readonly places: WidgetIn[];
}

/** The form of an open file. */
export function formOf(doc: PDFDocument): Form {
  const acroForm = doc.catalog.lookup(PDFName.of('AcroForm'));
  if (!(acroForm instanceof PDFDict)) return NO_FORM;
  const found = new Map<string, Found>();
  for (const place of widgetsIn(doc)) {
    const line = withParents(place.dict);
    // A place has no name of its own where the field has several.
    const own = line.findIndex((dict) => dict.has(PDFName.of('T')));
    if (own < 0) continue;
    const name = fullName(line);
    const known = found.get(name);
    if (known) known.places.push(place);
    else found.set(name, { line: [...line.slice(own), acroForm], places: [place] });
  }
  const worksOut = worksOutIn(acroForm);
  const names = new Set(found.keys());
  const resources = acroForm.lookup(PDFName.of('DR'));
  const faces = resources instanceof PDFDict ? resources : null;
  const fields = [...found].map(([name, one]) => fieldOf(name, one, faces, worksOut, names));
  const hasOther = acroForm.has(PDFName.of('XFA'));
  return {
    fields,
    tabs: tabsOf(doc),
    xfa: hasOther ? (fields.length > 0 ? 'beside' : 'only') : 'none',
  };
}

/** The full name of a field (ISO 32000-1 §12.7.3.2), from itself outwards. */
export const fullName = (line: readonly PDFDict[]): string =>
  line
    .flatMap((dict) => textIn(dict.lookup(PDFName.of('T'))) ?? [])
    .reverse()
    .join('.');

/** The fields whose values the form works out (CO). */
function worksOutIn(acroForm: PDFDict): ReadonlySet<unknown> {
  const order = acroForm.lookup(PDFName.of('CO'));
  if (!(order instanceof PDFArray)) return new Set();
  return new Set(Array.from({ length: order.size() }, (_, k) => order.lookup(k)));
}

function fieldOf(
  name: string,
  { line, places }: Found,
  resources: PDFDict | null,
  worksOut: ReadonlySet<unknown>,
  names: ReadonlySet<string>,
): FormField {
  const flags = numberIn(inherited(line, 'Ff'), 0);
  const has = (flag: number): boolean => (flags & flag) !== 0;
  const sort = sortOf(line, places, flags);
  const limit = numberIn(inherited(line, 'MaxLen'), 0);
  const longest = sort === 'text' && limit > 0 ? Math.min(limit, 100_000) : null;
  const isText = sort === 'text';
  const isList = sort === 'choice' && !has(COMBO);
  const lines = (isText && has(MULTILINE)) || isList;
  const secret = isText && has(PASSWORD);
  const cells =
    isText && has(COMB) && longest !== null && longest <= 1000 && !lines && !secret ? longest : 0;
  const own = line[0];
  const script = scriptOf(own, 'C');
  // Of what is switched the words for its places stand beside their states.
  const options = sort === 'radio' || sort === 'tick' ? textsIn(inherited(line, 'Opt')) : [];
  const widgets = places.flatMap((place, k): FormWidget[] => {
    const says = options[k] ?? null;
    const state = sort === 'radio' ? (says ?? `${k}`) : ON;
    const around = place.dict === own ? line : [place.dict, ...line];
    const one = widgetOf(place, around, sort, { lines, cells, secret, state, says }, resources);
    return one ? [one] : [];
  });
  return {
    name,
    label: textIn(own.lookup(PDFName.of('TU')))?.trim() || lastOf(name),
    sort,
    readOnly: has(READ_ONLY),
    required: has(REQUIRED),
    value: valueIn(line, sort),
    longest,
    choices: sort === 'choice' ? choicesIn(inherited(line, 'Opt')) : [],
    free: sort === 'choice' && has(COMBO) && has(EDIT),
    several: isList && has(MULTI_SELECT),
    staysOn: sort === 'radio' && has(NO_TOGGLE_TO_OFF),
    ...(script !== '' || worksOut.has(own) ? { sum: namesIn(script, names) } : {}),
    pattern: isText ? dayPattern(scriptOf(own, 'F') + scriptOf(own, 'K')) : '',
    widgets,
  };
}

function sortOf(line: readonly PDFDict[], places: readonly WidgetIn[], flags: number): FieldSort {
  const type = textIn(inherited(line, 'FT'));
  if (type === 'Sig') return 'signature';
  if (type === 'Ch') return 'choice';
  if (type === 'Btn') {
    if (flags & PUSH) return 'button';
    if (flags & RADIO) return 'radio';
    // Several states that exclude each other are no boxes to tick.
    const states = new Set(places.flatMap(({ dict }) => statesOf(dict)));
    return states.size > 1 ? 'radio' : 'tick';
  }
  return 'text';
}

function valueIn(line: readonly PDFDict[], sort: FieldSort): readonly string[] {
  const value = inherited(line, 'V');
  if (value === undefined || value === PDFNull) return [];
  if (sort === 'signature') return ['signed'];
  return textsIn(value).filter(
    (one) => one !== '' && !((sort === 'tick' || sort === 'radio') && one === OFF),
  );
}

function choicesIn(options: unknown): Choice[] {
  if (!(options instanceof PDFArray)) return [];
  const count = Math.min(options.size(), MOST_CHOICES);
  return Array.from({ length: count }, (_, k) => options.lookup(k)).flatMap((one): Choice[] => {
    const [value, says = value] = textsIn(one);
    return value === undefined ? [] : [{ value, says }];
  });
}

const lastOf = (name: string): string => name.slice(name.lastIndexOf('.') + 1) || name;

const ORDERS: Readonly<Record<string, TabOrder>> = {
  R: 'rows',
  C: 'columns',
  S: 'file',
  A: 'file',
  W: 'file',
};

const tabsOf = (doc: PDFDocument): Map<number, TabOrder> =>
  new Map(
    doc.getPages().flatMap(({ node }, page) => {
      const order = ORDERS[nameAt(node, 'Tabs')];
      return order ? [[page, order]] : [];
    }),
  );
