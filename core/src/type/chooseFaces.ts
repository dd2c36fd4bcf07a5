import type { FaceName } from './faces.ts';

/** Where the scripts lie that the Latin faces lack, as ranges of code points (Unicode 15, Blocks.txt). */
const SCRIPTS: readonly (readonly [face: FaceName, from: number, to: number])[] = [
  ['serif', 0x0370, 0x052f],
  ['serif', 0x1f00, 0x1fff],
  ['hebrew', 0x0590, 0x05ff],
  ['hebrew', 0xfb1d, 0xfb4f],
  ['arabic', 0x0600, 0x06ff],
  ['arabic', 0x0750, 0x077f],
  ['arabic', 0x08a0, 0x08ff],
  ['arabic', 0xfb50, 0xfdff],
  ['arabic', 0xfe70, 0xfeff],
  ['devanagari', 0x0900, 0x097f],
  ['devanagari', 0xa8e0, 0xa8ff],
];

/** The face that has this character, for text that wants to be set in `wanted`. */
export function faceOfScript(codePoint: number, wanted: FaceName): FaceName {
  if (codePoint < 0x0370) return wanted;
  return SCRIPTS.find(([, from, to]) => codePoint >= from && codePoint <= to)?.[0] ?? wanted;
}

/** Every face that a text needs, so that they can be loaded before it is set. */
export function facesFor(text: string, wanted: FaceName): readonly FaceName[] {
  const faces = new Set<FaceName>([wanted]);
  for (const char of text) faces.add(faceOfScript(char.codePointAt(0) ?? 0, wanted));
  return [...faces];
}
