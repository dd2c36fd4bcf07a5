import type { Print, PrintLine } from './print.ts';

/** The lines of each text of a page – a paragraph, a heading, a cell – in reading order. */
export function textsOf({ lines }: Print): readonly (readonly PrintLine[])[] {
  const texts = new Map<number, PrintLine[]>();
  for (const line of lines) {
    const text = texts.get(line.block);
    if (text) text.push(line);
    else texts.set(line.block, [line]);
  }
  return [...texts.values()];
}
