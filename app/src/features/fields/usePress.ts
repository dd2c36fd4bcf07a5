import { marksAt } from '@marginalis/core/editing';
import type { Form, FormField } from '@marginalis/core/fields';
import { distanceToBox, type Vec } from '@marginalis/core/geometry';
import { kindFor } from '@marginalis/core/kinds';
import type { Page } from '@marginalis/core/document';
import { useEffect } from 'react';
import { useReader } from '@/shell';
import { elementId } from './placeOnPage';
import { cornersOfWidget } from './heldField';

/** A finger means what is so near, CSS pixels. */
const FINGER = 8;

/** Why a field of a form cannot be filled in; null where it can. */
function whyNot({ sort, readOnly, sum }: FormField): string | null {
  if (sort === 'button') return 'This is a button of the form. What it would do is not run here.';
  if (readOnly && sum === undefined) return 'The form does not let this field be changed.';
  return null;
}

/** A finger or a mouse that presses a field of a page goes on to fill it in, or is told why that cannot be. */
export function usePress(index: number, page: Page | undefined, form: Form): void {
  const reader = useReader();
  useEffect(() => {
    if (!page || !('source' in page.shows) || form.fields.length === 0) return undefined;
    const { stage, session } = reader;
    const { shows } = page;
    return stage.touches.press(({ index: at, user, event }) => {
      if (at !== index) return false;
      const reach = event.pointerType === 'touch' ? FINGER / stage.getCamera().zoom : 0;
      const hit = nearest(form, shows.index, user, reach);
      const { document, writable } = session.store.getState();
      if (!hit || !writable) return false;
      // What lies over a field is meant before it.
      const over = marksAt(document, page.id, user, 0);
      if (over.some((mark) => !kindFor(mark).covers)) return false;
      if (hit.field.sort === 'signature') {
        const [corner, ...rest] = cornersOfWidget(hit.widget);
        reader
          .commands()
          .find(({ id }) => id === 'sign')
          ?.atPlace?.({ index, page: page.id, at: corner, area: [corner, ...rest] });
        return true;
      }
      const reason = whyNot(hit.field);
      if (reason) {
        session.notices.tell(reason);
        return true;
      }
      press(window.document.getElementById(elementId({ page, widget: hit.widget })));
      return true;
    });
  }, [reader, index, page, form]);
}

function press(element: HTMLElement | null): void {
  if (!element) return;
  element.focus({ preventScroll: true });
  if (element instanceof HTMLInputElement && /checkbox|radio/.test(element.type)) element.click();
  if (!(element instanceof HTMLSelectElement) || element.multiple) return;
  try {
    element.showPicker?.();
  } catch (e) {
    // The browser opens lists only for what a person has just done; a second press opens it.
    if (!(e instanceof DOMException)) throw e;
  }
}

function nearest({ fields }: Form, sourcePage: number, at: Vec, reach: number) {
  let best = null;
  let least = reach;
  for (const field of fields)
    for (const widget of field.widgets) {
      if (widget.page !== sourcePage) continue;
      const away = distanceToBox(at, widget.box);
      if (away > least || (best && away === least)) continue;
      least = away;
      best = { field, widget };
    }
  return best;
}
