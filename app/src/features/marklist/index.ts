export { MarkList } from './MarkList';
export { MarkListButton } from './MarkListButton';
export { Pulse } from './Pulse';
