import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { TextFiles } from '@marginalis/core/copy';
import type { ShippedFace } from '@marginalis/core/type';
import { openFace, placeText, setBlock, setText } from '@marginalis/core/typesetter';

/** As they are installed; npm runs us from the project's folder. */
const FOLDER = join(process.cwd(), 'node_modules/@expo-google-fonts');

const NEXT = 'atkinson-hyperlegible-next';
const MONO = 'atkinson-hyperlegible-mono';
/** The files of the faces that ship, where the packages have them. */
const FACE_FILES: Readonly<Record<ShippedFace, string>> = {
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

/** What the text of a copy is set with: the faces that ship, each read when it is needed. */
export const textFiles: TextFiles = {
  typesetter: { setText, placeText, setBlock },
  face: async (name) =>
    openFace(name, new Uint8Array(await readFile(faceFile(name as ShippedFace)))),
};

/** Where the file of a face is. */
export const faceFile = (name: ShippedFace): string => join(FOLDER, FACE_FILES[name]);
