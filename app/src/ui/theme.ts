import { configureFonts, type MD3Theme } from 'react-native-paper';
import { MD3DarkTheme, MD3LightTheme } from 'react-native-paper/lib/module/styles/themes';

export const FONT = {
  text: 'AtkinsonHyperlegibleNext',
  bold: 'AtkinsonHyperlegibleNext-Bold',
  title: 'Literata',
} as const;

const base = configureFonts({ config: { fontFamily: FONT.text } });
const fonts = {
  ...base,
  headlineLarge: { ...base.headlineLarge, fontFamily: FONT.title },
  headlineMedium: { ...base.headlineMedium, fontFamily: FONT.title },
  headlineSmall: { ...base.headlineSmall, fontFamily: FONT.title },
  titleLarge: { ...base.titleLarge, fontFamily: FONT.title },
  titleMedium: { ...base.titleMedium, fontFamily: FONT.title, letterSpacing: 0 },
};

const noElevation = (surface: string): MD3Theme['colors']['elevation'] => ({
  level0: 'transparent',
  level1: surface,
  level2: surface,
  level3: surface,
  level4: surface,
  level5: surface,
});

/** A proof-reader's room by day: cool slate, ink-blue type, rubric red for what is active. */
export const lightTheme: MD3Theme = {
  ...MD3LightTheme,
  fonts,
  roundness: 1,
  colors: {
    ...MD3LightTheme.colors,
    primary: '#a8281a',
    onPrimary: '#ffffff',
    primaryContainer: '#f7e3df',
    onPrimaryContainer: '#5c1209',
    secondary: '#33466e',
    onSecondary: '#ffffff',
    secondaryContainer: '#dde4ef',
    onSecondaryContainer: '#1a2947',
    background: '#d9dee5',
    onBackground: '#1a2947',
    surface: '#f3f5f8',
    onSurface: '#1a2947',
    surfaceVariant: '#e4e8ee',
    onSurfaceVariant: '#47536b',
    outline: '#77839a',
    outlineVariant: '#b9c1cd',
    error: '#a8281a',
    inverseSurface: '#1a2947',
    inverseOnSurface: '#f3f5f8',
    inversePrimary: '#ffb4a6',
    elevation: noElevation('#f3f5f8'),
  },
};

/** The same room by lamplight. */
export const darkTheme: MD3Theme = {
  ...MD3DarkTheme,
  fonts,
  roundness: 1,
  colors: {
    ...MD3DarkTheme.colors,
    primary: '#ff9d8d',
    onPrimary: '#4a0d06',
    primaryContainer: '#5b2019',
    onPrimaryContainer: '#ffdad3',
    secondary: '#b4c5e8',
    onSecondary: '#182746',
    secondaryContainer: '#2c3a56',
    onSecondaryContainer: '#dbe5fa',
    background: '#12161d',
    onBackground: '#dde4f0',
    surface: '#1b212b',
    onSurface: '#dde4f0',
    surfaceVariant: '#262e3a',
    onSurfaceVariant: '#b3bdcd',
    outline: '#7f8b9f',
    outlineVariant: '#3a4453',
    error: '#ff9d8d',
    inverseSurface: '#dde4f0',
    inverseOnSurface: '#1b212b',
    inversePrimary: '#a8281a',
    elevation: noElevation('#1b212b'),
  },
};

/** Narrower than this, the page has the screen and the pen roll lies at the bottom, CSS pixels. */
export const WIDE_FROM = 720;
