import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Face, type FaceName, FACES, type Fonts } from '../src/type/index.ts';
import { openFace } from '../src/type/openFace.ts';

const FOLDER = join(process.cwd(), 'node_modules/@expo-google-fonts');

/** The files of the faces that ship, where the packages have them. */
const FILES: Readonly<Record<FaceName, string>> = {
  sans: 'atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf',
  'sans-bold': 'atkinson-hyperlegible-next/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf',
  'sans-italic':
    'atkinson-hyperlegible-next/400Regular_Italic/AtkinsonHyperlegibleNext_400Regular_Italic.ttf',
  serif: 'literata/400Regular/Literata_400Regular.ttf',
  mono: 'atkinson-hyperlegible-mono/400Regular/AtkinsonHyperlegibleMono_400Regular.ttf',
  hand: 'kalam/400Regular/Kalam_400Regular.ttf',
  arabic: 'noto-naskh-arabic/400Regular/NotoNaskhArabic_400Regular.ttf',
  hebrew: 'noto-sans-hebrew/400Regular/NotoSansHebrew_400Regular.ttf',
  devanagari: 'noto-sans-devanagari/400Regular/NotoSansDevanagari_400Regular.ttf',
};

export const faceFile = (name: FaceName): Uint8Array =>
  new Uint8Array(readFileSync(join(FOLDER, FILES[name])));

/** Every face that ships, opened when first asked for. */
export function shippedFonts(): Fonts {
  const opened = new Map<FaceName, Face>();
  return {
    face(name) {
      if (!FACES.includes(name)) return null;
      let face = opened.get(name);
      if (!face) opened.set(name, (face = openFace(name, faceFile(name))));
      return face;
    },
  };
}
