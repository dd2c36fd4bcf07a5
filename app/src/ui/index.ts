export { FONT, lightTheme, darkTheme, WIDE_FROM } from './theme';
export { useShippedFonts } from './fonts';
export { Icon, type IconName, paperIcon } from './icons';
export { Area, Canvas } from './dom';
export { Sheet } from './Sheet';
export { MenuButton } from './MenuButton';
export { useReducedMotion } from './useReducedMotion';
export { useNow } from './useNow';
export { Notice, EmptyScreen } from './Notice';
