import { saidIn, select, selectionIn } from './field';

/** Takes the caret to an end of its line of cells, as Home and End do in other texts: to the browser, each cell is a box of its own with its own ends. */
export function goToLineEnd(
  field: HTMLElement,
  key: 'Home' | 'End',
  { isExtended }: { isExtended: boolean },
): void {
  const selection = selectionIn(field);
  if (!selection) return;
  const text = saidIn(field);
  const [from, to] = selection;
  const end = text.indexOf('\n', to);
  const place =
    key === 'Home' ? text.slice(0, from).lastIndexOf('\n') + 1 : end < 0 ? text.length : end;
  if (!isExtended) return select(field, place, place);
  select(field, key === 'Home' ? to : from, place);
}
