import { isFillable } from '@marginalis/core/fields';
import { useEffect } from 'react';
import { useForm, useSession, useSessionState } from '@/session';
import { useReader } from '@/shell';

const HOW = 'This document has a form. Tap a field to fill it in; Tab leads to the next one.';
const OTHER =
  'This form is written in another notation (XFA), and what you see may not be the form itself. Ask for it as an ordinary PDF, or write on its pages with the pen or as text.';

/** Says once how a form is filled in, and of a form that cannot be what can be done. */
export function FormTold() {
  const { pictures } = useReader();
  const { hints, notices } = useSession();
  const source = useSessionState(({ document }) => {
    const first = document.pages.find(({ shows }) => 'source' in shows)?.shows;
    return first && 'source' in first ? first.source : null;
  });
  const form = useForm(source, source ? pictures(source) : null);
  useEffect(() => {
    if (form.xfa === 'only') notices.tell(OTHER);
    else if (form.fields.some(isFillable)) hints.teach({ id: 'form', text: HOW });
  }, [form, hints, notices]);
  return null;
}
