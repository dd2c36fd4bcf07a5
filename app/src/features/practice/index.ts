export { PracticeItem } from './PracticeItem';
