/** The sheet with the voice and the pace. */
export const VOICES = 'voices';
