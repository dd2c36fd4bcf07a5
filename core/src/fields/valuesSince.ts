import { type Change, documentOfParts, type NamedPart, type Page } from '../document/index.ts';
import { fillField, type FillTools } from './fill.ts';
import { type Form, isFillable } from './form.ts';
import { valueInFile, valueOf } from './values.ts';

/**
 * What has been filled into a copy of a document since it was made, as changes of its parts.
 * @param now the form of the copy as it is by now
 * @param before the form of its source
 * @param pages those of the document, showing the source
 */
export function valuesSince(
  now: Form,
  before: Form,
  pages: readonly Page[],
  parts: readonly NamedPart[],
  tools: FillTools,
): Change[] {
  const shown = pages.find(({ shows }) => 'source' in shows)?.shows;
  if (!shown || !('source' in shown)) return [];
  const state = documentOfParts(pages, parts);
  const copied = new Map(now.fields.map((field) => [field.name, field]));
  return before.fields.filter(isFillable).flatMap((field) => {
    const found = copied.get(field.name);
    if (!found) return [];
    const value = valueInFile(found);
    const sent = valueOf(state, shown.source, field);
    if (value.join('\n') === sent.join('\n')) return [];
    return fillField(state, shown.source, field, value, tools)?.changes ?? [];
  });
}
