/** Namespace of InkML. */
export const INKML = 'http://www.w3.org/2003/InkML';
/** Prefix of brush properties that only this product knows; other programs pass them over. */
export const OWN = 'urn:marginalis:';
