import { type FieldPlace, fieldsInOrder, type FormWidget } from '@marginalis/core/fields';
import { boxCorners } from '@marginalis/core/geometry';
import { formOf } from '@/session';
import type { Reader } from '@/shell';
import { elementId } from './placeOnPage';

/** So many pictures of the window a field that comes into sight is waited for. */
const PATIENCE = 90;

/** The places of a page of the document that can be filled in, as Tab leads. */
async function placesOn({ session, stage, pictures }: Reader, index: number) {
  const { document } = session.store.getState();
  const page = document.pages[index];
  if (!page || !('source' in page.shows)) return [];
  const { source } = page.shows;
  const file = pictures(source);
  const form = file && (await formOf(source, file));
  return form ? fieldsInOrder(form, stage.pages[index]) : [];
}

/** Goes on from a place of a form to the next of the document, or the one before; null begins with what is in sight. */
export async function stepField(
  reader: Reader,
  from: { readonly index: number; readonly widget: FormWidget } | null,
  by: 1 | -1,
): Promise<void> {
  const { stage, session } = reader;
  const first = from?.index ?? stage.getSight().first;
  for (let index = first; index >= 0 && index < stage.pages.length; index += by) {
    const places = await placesOn(reader, index);
    const here =
      from && index === first
        ? places.findIndex(({ widget }) => widget.index === from.widget.index)
        : by === 1
          ? -1
          : places.length;
    const next = places[here + by];
    if (next) return focusPlace(reader, index, next);
  }
  session.notices.tell(
    from
      ? by === 1
        ? 'This was the last field of the form.'
        : 'This was the first field of the form.'
      : 'From here on there is no field to fill in.',
  );
}

/** Brings a place into sight and the keyboard to it. */
export function focusPlace({ stage }: Reader, index: number, { widget }: FieldPlace): void {
  stage.keepInSight(index, boxCorners(widget.box));
  const id = elementId({ page: stage.pages[index], widget });
  let patience = PATIENCE;
  const look = (): void => {
    const element = stage.elementOf(index)?.querySelector<HTMLElement>(`[id="${CSS.escape(id)}"]`);
    if (element) element.focus({ preventScroll: true });
    else if (patience-- > 0) requestAnimationFrame(look);
  };
  look();
}
