/** A letter or sign with its marks and joiners. */
export const LETTER = /\P{M}[\p{M}\u200d]*|\p{M}+/gsu;

/** Letters with their marks, signs and spaces, each by itself. */
export const lettersOf = (text: string): string[] => text.match(LETTER) ?? [];

/** Whether a letter or sign begins at unit `at` of a text, rather than a mark or the half of one. */
export const beginsLetter = (text: string, at: number): boolean =>
  !/^[\p{M}\u200d]/u.test(text.slice(at, at + 2)) && !/[\udc00-\udfff]/.test(text.charAt(at));
