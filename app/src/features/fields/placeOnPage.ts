import { fillField, type FieldPlace, valueOf } from '@marginalis/core/fields';
import type { Page } from '@marginalis/core/document';
import { useSettings } from '@/session';
import type { Reader } from '@/shell';

/** A place of a field, on a page of the open document. */
export interface PlaceOnPage extends FieldPlace {
  readonly page: Page;
  /** The source that the page shows. */
  readonly source: string;
}

/** With what is filled in now. */
export const fillTools = () => ({
  now: Date.now(),
  author: useSettings.getState().author,
});

/** Fills a field in, wherever the document shows it; false when nothing changes. */
export function fill(
  { session }: Pick<Reader, 'session'>,
  { field, source }: PlaceOnPage,
  value: readonly string[],
): boolean {
  const { document, writable } = session.store.getState();
  return writable && session.dispatch(fillField(document, source, field, value, fillTools()));
}

/** What a field for text says by now. */
export function textNow(
  { session }: Pick<Reader, 'session'>,
  { field, source }: PlaceOnPage,
): string {
  return valueOf(session.store.getState().document, source, field)[0] ?? '';
}

/** How a place is called in the page. */
export const elementId = ({ page, widget }: Pick<PlaceOnPage, 'page' | 'widget'>): string =>
  `field-${page.id}-${widget.index}`;
