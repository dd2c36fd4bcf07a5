import { PDFDict, PDFName } from '@cantoo/pdf-lib';
import { textIn } from './entries.ts';

/** What a field's own script for a moment says; it is read, never run. Empty where there is none. */
export function scriptOf(field: PDFDict, moment: 'C' | 'F' | 'K' | 'V'): string {
  const actions = field.lookup(PDFName.of('AA'));
  const action = actions instanceof PDFDict ? actions.lookup(PDFName.of(moment)) : null;
  return action instanceof PDFDict ? (textIn(action.lookup(PDFName.of('JS'))) ?? '') : '';
}

/** How a script says that a day is written, as "dd/mm/yyyy"; empty where it says nothing. */
export const dayPattern = (script: string): string =>
  /AFDate_(?:Format|Keystroke)Ex\(\s*["']([^"']{1,40})["']/.exec(script)?.[1] ?? '';

/** The names among `names` that a script speaks of, in quotes; null where it speaks of none. */
export function namesIn(script: string, names: ReadonlySet<string>): string[] | null {
  const said = new Set<string>();
  for (const [, , text] of script.matchAll(/(["'])((?:(?!\1)[^\\]|\\.){1,500})\1/g))
    for (const one of [text, ...text.split(',')]) {
      const name = one.trim();
      if (names.has(name)) said.add(name);
      // A name may be that of the fields around some.
      else if ([...names].some((other) => other.startsWith(`${name}.`)) && name !== '')
        said.add(name);
    }
  return said.size > 0 ? [...said] : null;
}
