/** Namespace of InkML. */
export const INKML = 'http://www.w3.org/2003/InkML';
/** Prefix of brush properties that only this product knows; other programs pass them over. */
export const OWN = 'urn:marginalis:';
/** Channels written, in order: place, time, force, tilts along x and y (names of the Recommendation, §3.2.1). */
export const CHANNELS = ['X', 'Y', 'T', 'F', 'OTx', 'OTy'] as const;
