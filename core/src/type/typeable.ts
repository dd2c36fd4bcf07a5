/** Control characters but for tabs and line feeds (Unicode 15, general category Cc). */
const CONTROLS = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f-\u009f]/g;

/** Text as it can be typed: with line feeds of its own, without control characters. The same text where there is nothing to mend. */
export const typeable = (text: string): string =>
  text.replace(/\r\n?/g, '\n').replace(CONTROLS, '');
