/** An ink with a name people can say, and a pattern that tells it apart without its colour. */
export interface Ink {
  readonly id: string;
  readonly name: string;
  readonly colour: string;
  readonly pattern: 'solid' | 'dots' | 'dashes' | 'waves' | 'crosses' | 'rings' | 'grain';
}

/** Dark enough to read on white paper (contrast 4.5 : 1 or more). */
export const PEN_INKS: readonly Ink[] = [
  { id: 'iron-gall', name: 'Iron gall blue', colour: '#1f3361', pattern: 'solid' },
  { id: 'lampblack', name: 'Lampblack', colour: '#1b1b1d', pattern: 'dots' },
  { id: 'vermilion', name: 'Vermilion red', colour: '#c22f17', pattern: 'dashes' },
  { id: 'verdigris', name: 'Verdigris green', colour: '#0f7566', pattern: 'waves' },
  { id: 'walnut', name: 'Walnut brown', colour: '#7a4a1e', pattern: 'crosses' },
  { id: 'orchil', name: 'Orchil purple', colour: '#7d2f8f', pattern: 'rings' },
  { id: 'graphite', name: 'Graphite grey', colour: '#55565c', pattern: 'grain' },
];

/** Light enough to leave black print readable when multiplied onto it. */
export const HIGHLIGHTER_INKS: readonly Ink[] = [
  { id: 'weld', name: 'Weld yellow', colour: '#ffd91f', pattern: 'solid' },
  { id: 'madder', name: 'Madder rose', colour: '#ff9dad', pattern: 'dashes' },
  { id: 'woad', name: 'Woad blue', colour: '#86cdf5', pattern: 'waves' },
  { id: 'sap', name: 'Sap green', colour: '#a6e36e', pattern: 'dots' },
  { id: 'saffron', name: 'Saffron orange', colour: '#ffb347', pattern: 'crosses' },
];

/** The name of the ink of this colour, or the colour itself where it has none. */
export const inkName = (colour: string): string =>
  [...PEN_INKS, ...HIGHLIGHTER_INKS].find((ink) => ink.colour === colour)?.name ?? colour;
