export { DeskScreen } from './DeskScreen';
