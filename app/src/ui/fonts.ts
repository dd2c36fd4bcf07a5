import { useFonts } from 'expo-font';

/** Loads the fonts that ship with the application; true once they, or the decision to do without, are there. */
export function useShippedFonts(): boolean {
  const [loaded, error] = useFonts({
    AtkinsonHyperlegibleNext: require('@expo-google-fonts/atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf'),
    'AtkinsonHyperlegibleNext-Bold': require('@expo-google-fonts/atkinson-hyperlegible-next/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf'),
    Literata: require('@expo-google-fonts/literata/600SemiBold/Literata_600SemiBold.ttf'),
  });
  return loaded || error !== null;
}
