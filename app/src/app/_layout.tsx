import { Stack } from 'expo-router';
import { useEffect, useMemo } from 'react';
import { useColorScheme } from 'react-native';
import { PaperProvider } from 'react-native-paper';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { useSettings, useUnloadGuard } from '@/session';
import { darkTheme, lightTheme, useReducedMotion, useShippedFonts } from '@/ui';

export default function RootLayout() {
  const ready = useShippedFonts();
  const calm = useReducedMotion();
  const colours = useColorScheme() === 'dark' ? darkTheme : lightTheme;
  const theme = useMemo(
    () => (calm ? { ...colours, animation: { scale: 0 } } : colours),
    [calm, colours],
  );
  useUnloadGuard();
  useEffect(() => void useSettings.getState().ready(), []);
  if (!ready) return null;
  return (
    <SafeAreaProvider>
      <PaperProvider theme={theme}>
        <Stack
          screenOptions={{
            headerShown: false,
            contentStyle: { backgroundColor: theme.colors.background },
          }}
        />
      </PaperProvider>
    </SafeAreaProvider>
  );
}
