/** Accents that faces draw by themselves over or under a letter, as the combining characters they stand for (Unicode, Combining Diacritical Marks). */
const COMBINING: Readonly<Record<string, string>> = {
  '`': '\u0300',
  '´': '\u0301',
  '^': '\u0302',
  ˆ: '\u0302',
  '~': '\u0303',
  '˜': '\u0303',
  '¯': '\u0304',
  '˘': '\u0306',
  '˙': '\u0307',
  '¨': '\u0308',
  '˚': '\u030a',
  '°': '\u030a',
  '˝': '\u030b',
  ˇ: '\u030c',
  '¸': '\u0327',
  '˛': '\u0328',
};

const LETTER = /^\p{L}/u;
const MARK = /^\p{Mn}/u;

/** Whether a character may be an accent of a letter that it stands over. */
export const mayBeAccent = (code: number): boolean =>
  code === 0x5e || code === 0x60 || code === 0x7e || (code > 0xa7 && code < 0x370);

/** The letter with its accent; null where they make none. */
export function accented(letter: string, accent: string): string | null {
  const mark = COMBINING[accent] ?? (MARK.test(accent) ? accent : undefined);
  if (mark === undefined || !LETTER.test(letter)) return null;
  // A letter without its dot carries accents as one with it does.
  const plain = letter === 'ı' ? 'i' : letter === 'ȷ' ? 'j' : letter;
  const whole = (plain + mark).normalize('NFC');
  return whole.length === plain.length ? whole : null;
}
