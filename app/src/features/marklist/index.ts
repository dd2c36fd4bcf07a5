export { MarkList } from './MarkList';
export { MarkListButton } from './MarkListButton';
export { Pulse } from './Pulse';
export { AuthorItem, AuthorSheet } from './AuthorItem';
