declare module 'react-native-paper/lib/module/styles/themes' {
  export { MD3DarkTheme, MD3LightTheme } from 'react-native-paper';
}
