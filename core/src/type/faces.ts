/** The faces that ship, by what they are for. */
export const FACES = [
  'sans',
  'sans-bold',
  'sans-italic',
  'sans-bold-italic',
  'serif',
  'serif-bold',
  'serif-italic',
  'serif-bold-italic',
  'mono',
  'mono-bold',
  'mono-italic',
  'mono-bold-italic',
  'hand',
  'hand-bold',
  'arabic',
  'arabic-bold',
  'hebrew',
  'hebrew-bold',
  'devanagari',
  'devanagari-bold',
  'phonetic',
  'math',
] as const;
export type FaceName = (typeof FACES)[number];

/** What a person chooses from; the other scripts follow by themselves. */
export const FAMILIES = ['sans', 'serif', 'mono', 'hand'] as const;
export type Family = (typeof FAMILIES)[number];
