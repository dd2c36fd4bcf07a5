export { TidyChip } from './TidyChip';
