import { PDFArray, PDFDict, type PDFDocument, PDFName, PDFRef, PDFStream } from '@cantoo/pdf-lib';
import type { FieldSort, FormWidget } from '../../fields/index.ts';
import { boxHeight, boxWidth } from '../../geometry/index.ts';
import type { FieldFrame, FieldLetters, Sign } from '../../kinds/index.ts';
import { isShown, numbersAt, rectOf, subtypeOf } from '../annotations/read.ts';
import { colourAt, nameAt } from '../incoming/values.ts';
import { inherited, numberIn, textIn } from './entries.ts';
import { defaultLetters } from './letters.ts';

/** Fields of a document that are read; no person fills in so many. */
const MOST = 20_000;
const OFF = 'Off';

/** A place of a field as it stands in the file. */
export interface WidgetIn {
  readonly dict: PDFDict;
  readonly ref: PDFRef;
  /** From 0. */
  readonly page: number;
  /** Which of the annotations of its page. */
  readonly index: number;
}

/** Every place of a field that is seen on a page. Those that are no objects of their own nobody could find again. */
export function widgetsIn(doc: PDFDocument): WidgetIn[] {
  const found: WidgetIn[] = [];
  const met = new Set<PDFDict>();
  for (const [page, { node }] of doc.getPages().entries()) {
    const list = node.lookup(PDFName.of('Annots'));
    if (!(list instanceof PDFArray)) continue;
    for (let index = 0; index < list.size() && found.length < MOST; index++) {
      const ref = list.get(index);
      const dict = list.lookup(index);
      if (!(dict instanceof PDFDict) || !(ref instanceof PDFRef) || met.has(dict)) continue;
      if (subtypeOf(dict) !== 'Widget' || !isShown(dict)) continue;
      met.add(dict);
      found.push({ dict, ref, page, index });
    }
  }
  return found;
}

/** The states that a place can be switched to, beside off. */
export function statesOf(dict: PDFDict): string[] {
  const appearances = dict.lookup(PDFName.of('AP'));
  const normal = appearances instanceof PDFDict ? appearances.lookup(PDFName.of('N')) : null;
  if (!(normal instanceof PDFDict) || normal instanceof PDFStream) return [];
  return normal
    .keys()
    .map((key) => key.decodeText())
    .filter((name) => name !== OFF);
}

/** Whether the file brings a picture of it. */
function isDrawn(dict: PDFDict): boolean {
  const appearances = dict.lookup(PDFName.of('AP'));
  return appearances instanceof PDFDict && appearances.lookup(PDFName.of('N')) !== undefined;
}

const TURNS = [0, 90, 180, 270] as const;

/** How a place looks by its own entries (ISO 32000-1 §12.5.6.19). */
export function widgetOf(
  { dict, ref, page, index }: WidgetIn,
  line: readonly PDFDict[],
  sort: FieldSort,
  field: Pick<FieldLetters, 'lines' | 'cells' | 'secret'> & {
    readonly state: string;
    readonly says: string | null;
  },
  resources: PDFDict | null,
): FormWidget | null {
  const box = rectOf(dict);
  if (!box || boxWidth(box) <= 0 || boxHeight(box) <= 0) return null;
  const look = dict.lookup(PDFName.of('MK'));
  const mk = look instanceof PDFDict ? look : null;
  const turned = (((numberIn(mk?.lookup(PDFName.of('R')), 0) % 360) + 360) % 360) as 0;
  const { colour, ...faces } = defaultLetters(inherited(line, 'DA'), resources);
  const isSwitched = sort === 'tick' || sort === 'radio';
  const [state = field.state] = statesOf(dict);
  const shown = nameAt(dict, 'AS');
  const { lines, cells, secret } = field;
  const align = (['start', 'centre', 'end'] as const)[numberIn(inherited(line, 'Q'), 0)] ?? 'start';
  return {
    index,
    object: ref.objectNumber,
    page,
    box,
    turn: TURNS.includes(turned) ? turned : 0,
    state: isSwitched ? state : null,
    says: isSwitched ? (field.says ?? state) : '',
    isOn: isSwitched && (shown === '' ? textIn(inherited(line, 'V')) === state : shown === state),
    letters: isSwitched ? null : { ...faces, align, lines, cells, secret },
    colour,
    frame: frameOf(dict, mk, sort === 'radio'),
    sign: isSwitched && statesOf(dict).length === 0 ? signOf(mk, sort) : null,
    isDrawn: isDrawn(dict),
  };
}

/** Characters of the face of signs, by what they show: common practice, no source. */
const SIGNS: Readonly<Record<string, Sign>> = {
  '4': 'tick',
  '8': 'cross',
  l: 'circle',
  n: 'square',
  u: 'diamond',
  H: 'star',
};

const signOf = (mk: PDFDict | null, sort: FieldSort): Sign =>
  SIGNS[textIn(mk?.lookup(PDFName.of('CA'))) ?? ''] ?? (sort === 'radio' ? 'circle' : 'tick');

function frameOf(dict: PDFDict, mk: PDFDict | null, isRadio: boolean): FieldFrame {
  const colour = mk && colourAt(mk, 'BC');
  const style = dict.lookup(PDFName.of('BS'));
  const width =
    style instanceof PDFDict
      ? numberIn(style.lookup(PDFName.of('W')), 1)
      : (numbersAt(dict, 'Border')[2] ?? 1);
  const under = style instanceof PDFDict && nameAt(style, 'S') === 'U';
  return {
    ground: mk && colourAt(mk, 'BG'),
    border: colour && width > 0 ? { colour, width: Math.min(width, 20), under } : null,
    // Common practice: where a ring is to stand in it, its frame is one.
    round: isRadio && signOf(mk, 'radio') === 'circle',
  };
}
