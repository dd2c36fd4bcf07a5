import {
  type FaceName,
  FACES,
  OWN_FACES,
  type OwnFace,
  type ShippedFace,
} from '@marginalis/core/type';
import { ownFaces } from './ownFaces';
import { Asset } from 'expo-asset';

/** The faces that text on pages is set in, where the packages have them. */
const FILES: Readonly<Record<ShippedFace, number>> = {
  sans: require('@expo-google-fonts/atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf'),
  'sans-bold': require('@expo-google-fonts/atkinson-hyperlegible-next/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf'),
  'sans-italic': require('@expo-google-fonts/atkinson-hyperlegible-next/400Regular_Italic/AtkinsonHyperlegibleNext_400Regular_Italic.ttf'),
  'sans-bold-italic': require('@expo-google-fonts/atkinson-hyperlegible-next/700Bold_Italic/AtkinsonHyperlegibleNext_700Bold_Italic.ttf'),
  serif: require('@expo-google-fonts/literata/400Regular/Literata_400Regular.ttf'),
  'serif-bold': require('@expo-google-fonts/literata/700Bold/Literata_700Bold.ttf'),
  'serif-italic': require('@expo-google-fonts/literata/400Regular_Italic/Literata_400Regular_Italic.ttf'),
  'serif-bold-italic': require('@expo-google-fonts/literata/700Bold_Italic/Literata_700Bold_Italic.ttf'),
  mono: require('@expo-google-fonts/atkinson-hyperlegible-mono/400Regular/AtkinsonHyperlegibleMono_400Regular.ttf'),
  'mono-bold': require('@expo-google-fonts/atkinson-hyperlegible-mono/700Bold/AtkinsonHyperlegibleMono_700Bold.ttf'),
  'mono-italic': require('@expo-google-fonts/atkinson-hyperlegible-mono/400Regular_Italic/AtkinsonHyperlegibleMono_400Regular_Italic.ttf'),
  'mono-bold-italic': require('@expo-google-fonts/atkinson-hyperlegible-mono/700Bold_Italic/AtkinsonHyperlegibleMono_700Bold_Italic.ttf'),
  hand: require('@expo-google-fonts/kalam/400Regular/Kalam_400Regular.ttf'),
  'hand-bold': require('@expo-google-fonts/kalam/700Bold/Kalam_700Bold.ttf'),
  arabic: require('@expo-google-fonts/noto-naskh-arabic/400Regular/NotoNaskhArabic_400Regular.ttf'),
  'arabic-bold': require('@expo-google-fonts/noto-naskh-arabic/700Bold/NotoNaskhArabic_700Bold.ttf'),
  hebrew: require('@expo-google-fonts/noto-sans-hebrew/400Regular/NotoSansHebrew_400Regular.ttf'),
  'hebrew-bold': require('@expo-google-fonts/noto-sans-hebrew/700Bold/NotoSansHebrew_700Bold.ttf'),
  devanagari: require('@expo-google-fonts/noto-sans-devanagari/400Regular/NotoSansDevanagari_400Regular.ttf'),
  phonetic: require('@expo-google-fonts/noto-sans/400Regular/NotoSans_400Regular.ttf'),
  math: require('@expo-google-fonts/noto-sans-math/400Regular/NotoSansMath_400Regular.ttf'),
  'devanagari-bold': require('@expo-google-fonts/noto-sans-devanagari/700Bold/NotoSansDevanagari_700Bold.ttf'),
};

const addressOf = (name: ShippedFace): string =>
  new URL(Asset.fromModule(FILES[name]).uri, window.location.href).href;

/** Where the files of all faces that ship are, for a worker to read. */
export const faceAddresses = (): Readonly<Record<ShippedFace, string>> =>
  Object.fromEntries(FACES.map((name) => [name, addressOf(name)])) as Record<ShippedFace, string>;

const isOwn = (name: FaceName): name is OwnFace => (OWN_FACES as readonly string[]).includes(name);

/** The bytes of a face. Rejects when they cannot be had. */
export async function readFaceFile(name: FaceName): Promise<Uint8Array> {
  if (isOwn(name)) return ownFaces.read(name);
  const response = await fetch(addressOf(name));
  if (!response.ok) throw new Error(`The face "${name}" could not be fetched.`);
  return new Uint8Array(await response.arrayBuffer());
}
