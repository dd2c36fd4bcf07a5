import { readPrint } from '../src/print/index.ts';
import { column, rawPrint } from './print.ts';

/** A page of three lines, one of which breaks a word. */
export const SETTLING = readPrint(
  rawPrint(
    column(
      ['Barnacles settle where oth-', 'ers have settled, on rocks', 'that stay wet.'],
      50,
      700,
    ),
  ),
);

/** What marks words yellow. */
export const YELLOW = {
  manner: 'highlight',
  colour: '#ffd91f',
  opacity: 0.75,
  widthMm: 0.4,
} as const;
