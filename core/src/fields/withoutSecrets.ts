import { type DocState, type PageMarks } from '../document/index.ts';
import { type FieldMark, hiddenText, type Mark } from '../kinds/index.ts';
import { filledOn } from './values.ts';

/**
 * The document without what was typed into fields for passwords, which stands in no file (ISO 32000-1 §12.7.4.3): as many dots are seen as ever. The same one where
 * there is none.
 */
export function withoutSecrets(document: DocState): DocState {
  const marks = new Map([...document.marks].map(([page, on]) => [page, open(on)]));
  const isSame = [...marks].every(([page, on]) => on === document.marks.get(page));
  return isSame ? document : { ...document, marks };
}

function open(marks: PageMarks): PageMarks {
  const secret = [...filledOn(marks).values()].filter(({ letters }) => letters?.secret);
  if (secret.length === 0) return marks;
  const left = new Map<string, Mark>(marks);
  for (const mark of secret) {
    const bare: FieldMark = { ...mark, value: [], text: hiddenText(mark.text) };
    left.set(mark.id, bare);
  }
  return left;
}
