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

/** Places for font files of a person's own: they are tried where no face that ships has a sign. */
export const OWN_FACES = ['own-1', 'own-2', 'own-3'] as const;
export type OwnFace = (typeof OWN_FACES)[number];
export type ShippedFace = (typeof FACES)[number];
export type FaceName = ShippedFace | OwnFace;

/** What a person chooses from; the other scripts follow by themselves. */
export const FAMILIES = ['sans', 'serif', 'mono', 'hand'] as const;
export type Family = (typeof FAMILIES)[number];
