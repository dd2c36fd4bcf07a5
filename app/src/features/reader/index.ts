export { ReaderScreen, type ReaderParts } from './ReaderScreen';
