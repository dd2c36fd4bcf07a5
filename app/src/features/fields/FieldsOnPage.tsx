import { fieldsInOrder, staleSums } from '@marginalis/core/fields';
import { useMemo } from 'react';
import { useForm, useSessionState } from '@/session';
import { late, useReader } from '@/shell';
import { usePageSeen } from '@/stage';
import { usePress } from './usePress';

/** What is seen of them where there is a form; loaded while nothing else is to be done. */
export const PlacesToFill = late(async () => (await import('./PlacesToFill')).PlacesToFill);

/** The fields of the form on a page: a finger or a mouse presses them, the keyboard comes to them one after the other, and a pen writes over them. */
export function FieldsOnPage({ index }: { index: number }) {
  const { pictures } = useReader();
  const page = usePageSeen(index);
  const source = page && 'source' in page.shows ? page.shows.source : null;
  const form = useForm(source, source ? pictures(source) : null);
  const places = useMemo(() => (page ? fieldsInOrder(form, page) : []), [form, page]);
  const writable = useSessionState((s) => s.writable);
  const hasSums = form.fields.some(({ sum }) => sum !== undefined);
  // Told apart by their names, so that nothing is drawn anew while one writes.
  const stale = useSessionState(({ document }) =>
    hasSums && source
      ? staleSums(document, source, form)
          .map(({ name }) => name)
          .join('\n')
      : '',
  );
  usePress(index, page, form);
  if (!page || !source || !writable || places.length === 0) return null;
  const names = new Set(stale.split('\n'));
  return <PlacesToFill {...{ index, page, source, places }} stale={names} />;
}
