import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  type Face,
  type FaceName,
  FACES,
  type Fonts,
  type ShippedFace,
} from '../src/type/index.ts';
import { openFace } from '../src/type/openFace.ts';

const FOLDER = join(process.cwd(), 'node_modules/@expo-google-fonts');

const NEXT = 'atkinson-hyperlegible-next';
const MONO = 'atkinson-hyperlegible-mono';
/** The files of the faces that ship, where the packages have them. */
const FILES: Readonly<Record<ShippedFace, string>> = {
  sans: `${NEXT}/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf`,
  'sans-bold': `${NEXT}/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf`,
  'sans-italic': `${NEXT}/400Regular_Italic/AtkinsonHyperlegibleNext_400Regular_Italic.ttf`,
  'sans-bold-italic': `${NEXT}/700Bold_Italic/AtkinsonHyperlegibleNext_700Bold_Italic.ttf`,
  serif: 'literata/400Regular/Literata_400Regular.ttf',
  'serif-bold': 'literata/700Bold/Literata_700Bold.ttf',
  'serif-italic': 'literata/400Regular_Italic/Literata_400Regular_Italic.ttf',
  'serif-bold-italic': 'literata/700Bold_Italic/Literata_700Bold_Italic.ttf',
  mono: `${MONO}/400Regular/AtkinsonHyperlegibleMono_400Regular.ttf`,
  'mono-bold': `${MONO}/700Bold/AtkinsonHyperlegibleMono_700Bold.ttf`,
  'mono-italic': `${MONO}/400Regular_Italic/AtkinsonHyperlegibleMono_400Regular_Italic.ttf`,
  'mono-bold-italic': `${MONO}/700Bold_Italic/AtkinsonHyperlegibleMono_700Bold_Italic.ttf`,
  hand: 'kalam/400Regular/Kalam_400Regular.ttf',
  'hand-bold': 'kalam/700Bold/Kalam_700Bold.ttf',
  arabic: 'noto-naskh-arabic/400Regular/NotoNaskhArabic_400Regular.ttf',
  'arabic-bold': 'noto-naskh-arabic/700Bold/NotoNaskhArabic_700Bold.ttf',
  hebrew: 'noto-sans-hebrew/400Regular/NotoSansHebrew_400Regular.ttf',
  'hebrew-bold': 'noto-sans-hebrew/700Bold/NotoSansHebrew_700Bold.ttf',
  devanagari: 'noto-sans-devanagari/400Regular/NotoSansDevanagari_400Regular.ttf',
  phonetic: 'noto-sans/400Regular/NotoSans_400Regular.ttf',
  math: 'noto-sans-math/400Regular/NotoSansMath_400Regular.ttf',
  'devanagari-bold': 'noto-sans-devanagari/700Bold/NotoSansDevanagari_700Bold.ttf',
};

const ships = (name: FaceName): name is ShippedFace => (FACES as readonly string[]).includes(name);

export function faceFile(name: FaceName): Uint8Array {
  if (!ships(name)) throw new Error(`The face ${name} does not ship.`);
  return new Uint8Array(readFileSync(join(FOLDER, FILES[name])));
}

/** A face that ships, as a copy asks for it. */
export const loadFace = async (name: FaceName): Promise<Face> => openFace(name, faceFile(name));

/** Every face that ships, opened when first asked for. */
export function shippedFonts(): Fonts {
  const opened = new Map<FaceName, Face>();
  return {
    face(name) {
      if (!ships(name)) return null;
      let face = opened.get(name);
      if (!face) opened.set(name, (face = openFace(name, faceFile(name))));
      return face;
    },
  };
}
