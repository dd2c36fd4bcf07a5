import { type FaceName, FACES, type OwnFace } from './faces.ts';
import type { LetterStyle, TextBlock } from './textBlock.ts';

type Script = 'serif' | 'arabic' | 'hebrew' | 'devanagari' | 'phonetic';

/** Where the scripts lie that the Latin faces lack, as ranges of code points (Unicode 15, Blocks.txt). */
const SCRIPTS: readonly (readonly [face: Script, from: number, to: number])[] = [
  ['phonetic', 0x0250, 0x02ff],
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

/** The end of Latin Extended-B. */
const LAST_LATIN = 0x024f;

const known: ReadonlySet<string> = new Set(FACES);
const isFace = (name: string): name is FaceName => known.has(name);

/** The face of a family or script that is as bold and as slanted as the one that is wanted, as far as there is one. */
function likened(base: Script, wanted: FaceName): FaceName {
  const bold = wanted.includes('-bold') ? '-bold' : '';
  const italic = wanted.includes('-italic') ? '-italic' : '';
  return [`${base}${bold}${italic}`, `${base}${bold}`].find(isFace) ?? base;
}

/** The face that has this character, for text that wants to be set in `wanted`. */
export function faceOfScript(codePoint: number, wanted: FaceName): FaceName {
  if (codePoint <= LAST_LATIN) return wanted;
  const script = SCRIPTS.find(([, from, to]) => codePoint >= from && codePoint <= to)?.[0];
  return script ? likened(script, wanted) : wanted;
}

/** What is tried in turn where a face lacks a character: the serif knows the most letters, then the signs of mathematics, in the end a person's own faces. */
export const fallbacksFor = (
  wanted: FaceName,
  own: readonly OwnFace[] = [],
): readonly FaceName[] => [likened('serif', wanted), 'phonetic', 'math', ...own];

/** The face of letters that look so. */
export function faceOfStyle({ family, bold, italic }: LetterStyle): FaceName {
  const name = `${family}${bold ? '-bold' : ''}${italic ? '-italic' : ''}`;
  return isFace(name) ? name : bold && isFace(`${family}-bold`) ? `${family}-bold` : family;
}

/** Every face that a text needs, so that they can be loaded before it is set; where one lacks a character, {@link fallbacksFor} say what to try. */
export const facesFor = (text: string, wanted: FaceName): readonly FaceName[] => [
  ...new Set([
    wanted,
    ...Array.from(text, (char) => faceOfScript(char.codePointAt(0) ?? 0, wanted)),
  ]),
];

/** Every face that a block needs. */
export const facesOfBlock = ({ spans }: Pick<TextBlock, 'spans'>): readonly FaceName[] => [
  ...new Set(spans.flatMap(({ text, style }) => facesFor(text, faceOfStyle(style)))),
];

/** The faces that are tried where those of {@link facesOfBlock} lack something. */
export const fallbacksOfBlock = (
  { spans }: Pick<TextBlock, 'spans'>,
  own: readonly OwnFace[] = [],
): readonly FaceName[] => [
  ...new Set(spans.flatMap(({ style }) => fallbacksFor(faceOfStyle(style), own))),
];
