import {
  PDFArray,
  type PDFContext,
  PDFDict,
  PDFHexString,
  PDFName,
  type PDFPage,
  PDFRef,
} from '@cantoo/pdf-lib';
import { drawingOf } from '../../derived/index.ts';
import type { FieldMark } from '../../kinds/index.ts';
import type { AnnotationWriter } from '../living/markAnnotation.ts';
import { registerAppearance } from '../sink/appearance.ts';
import { statesOf } from './widgets.ts';
import { withParents } from './entries.ts';

const key = (name: string): PDFName => PDFName.of(name);
/** What a field showed before something was filled in; under a name of our own. */
const BEFORE = key('MarginalisBefore');
/** The entries that filling in changes. */
const CHANGED = ['V', 'RV', 'I', 'AP', 'AS'].map(key);

/**
 * Writes what was filled in into the fields of an open page (ISO 32000-1 §12.7): the value into the field, what is seen into its place there. Returns what was changed.
 * @param marks those of the page
 */
export async function fillWidgets(
  writer: AnnotationWriter,
  { node }: PDFPage,
  marks: readonly FieldMark[],
): Promise<PDFRef[]> {
  const list = node.lookup(key('Annots'));
  if (!(list instanceof PDFArray)) return [];
  const changed: PDFRef[] = [];
  // What is switched off first: of several that exclude each other the one that is on has the last word.
  const ordered = [...marks].sort((a, b) => a.value.length - b.value.length);
  for (const mark of ordered) {
    const ref = list.get(mark.widget.index);
    const dict = list.lookup(mark.widget.index);
    if (!(ref instanceof PDFRef) || !(dict instanceof PDFDict)) continue;
    const field = fieldOf(ref, dict);
    for (const one of [dict, field.dict]) remember(one, writer.context);
    if (mark.letters) await fillText(writer, dict, field.dict, mark);
    else await turn(writer, dict, field.dict, mark);
    changed.push(ref, field.ref);
  }
  return changed;
}

/** The field that a place belongs to: itself, or the nearest around it with a name of its own. */
function fieldOf(ref: PDFRef, dict: PDFDict): { readonly ref: PDFRef; readonly dict: PDFDict } {
  let at = { ref, dict };
  for (const one of withParents(dict)) {
    if (one !== at.dict) {
      const parent = at.dict.get(key('Parent'));
      if (!(parent instanceof PDFRef)) break;
      at = { ref: parent, dict: one };
    }
    if (one.has(key('T'))) return at;
  }
  return { ref, dict };
}

function remember(dict: PDFDict, context: PDFContext): void {
  if (dict.has(BEFORE)) return;
  const before = PDFDict.withContext(context);
  for (const name of CHANGED) {
    const value = dict.get(name);
    if (value) before.set(name, value);
  }
  dict.set(BEFORE, before);
}

async function fillText(
  { context, fonts, held, deflate }: AnnotationWriter,
  dict: PDFDict,
  field: PDFDict,
  mark: FieldMark,
): Promise<void> {
  const [first = '', ...more] = mark.value.map((one) => PDFHexString.fromText(one));
  field.set(
    key('V'),
    more.length > 0 ? context.obj([first as PDFHexString, ...more]) : textOr(first),
  );
  // Its text with looks, and which of the choices it is, would say something else.
  field.delete(key('RV'));
  field.delete(key('I'));
  const drawing = await fonts.set(drawingOf(mark));
  const appearance = await registerAppearance(context, drawing, mark.widget.box, held, deflate);
  dict.set(key('AP'), context.obj({ N: appearance }));
}

const textOr = (text: PDFHexString | ''): PDFHexString =>
  text === '' ? PDFHexString.fromText('') : text;

async function turn(
  { context, fonts, held, deflate }: AnnotationWriter,
  dict: PDFDict,
  field: PDFDict,
  mark: FieldMark,
): Promise<void> {
  const [state = 'Off'] = mark.value;
  dict.set(key('AS'), key(state));
  field.set(key('V'), key(state));
  if (!mark.sign || statesOf(dict).length > 0) return;
  const states: Record<string, PDFRef> = {};
  for (const value of [[mark.widget.state ?? state], []]) {
    const drawing = await fonts.set(drawingOf({ ...mark, value }));
    states[value[0] ?? 'Off'] = await registerAppearance(
      context,
      drawing,
      mark.widget.box,
      held,
      deflate,
    );
  }
  dict.set(key('AP'), context.obj({ N: states }));
}

/** Gives the fields of a page back what they were before something was filled in. */
export function unfillWidgets({ node }: PDFPage): void {
  const list = node.lookup(key('Annots'));
  if (!(list instanceof PDFArray)) return;
  for (let k = 0; k < list.size(); k++) {
    const one = list.lookup(k);
    if (one instanceof PDFDict) for (const dict of withParents(one)) restore(dict);
  }
}

function restore(dict: PDFDict): void {
  const before = dict.lookup(BEFORE);
  if (!(before instanceof PDFDict)) return;
  for (const name of CHANGED) {
    const value = before.get(name);
    if (value) dict.set(name, value);
    else dict.delete(name);
  }
  dict.delete(BEFORE);
}
