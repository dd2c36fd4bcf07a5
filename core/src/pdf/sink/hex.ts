/** A number as four hexadecimal digits. */
export const hex4 = (n: number): string => n.toString(16).toUpperCase().padStart(4, '0');

/** Text as UTF-16BE, in hexadecimal digits. */
export const utf16Hex = (text: string): string =>
  Array.from({ length: text.length }, (_, i) => hex4(text.charCodeAt(i))).join('');

/** UTF-16BE with its mark, as a hexadecimal string (ISO 32000-1 §7.9.2.2). */
export const textString = (text: string): string => `<FEFF${utf16Hex(text)}>`;
