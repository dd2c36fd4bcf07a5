export { ReaderScreen } from './ReaderScreen';
