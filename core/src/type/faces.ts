/** The faces that ship, by what they are for. */
export const FACES = [
  'sans',
  'sans-bold',
  'sans-italic',
  'serif',
  'mono',
  'hand',
  'arabic',
  'hebrew',
  'devanagari',
] as const;
export type FaceName = (typeof FACES)[number];
