import { type Form, NO_FORM } from '@marginalis/core/fields';
import { useEffect, useState } from 'react';
import { readSource } from '@/storage';
import { type PdfPictures, startWork } from '@/work';
import { passwordFor } from './passwords';

/** Forms that have been read, or are being read, by their sources: what a source says never changes. */
const known = new Map<string, Promise<Form>>();
const read = new Map<string, Form>();

/** The form of a source that is open; no fields where it has none, or none that can be read. */
export function formOf(source: string, file: PdfPictures): Promise<Form> {
  let form = known.get(source);
  if (!form) {
    form = readFormOf(source, file).catch((e: unknown) => {
      console.warn('The form of a file was not read.', e);
      return NO_FORM;
    });
    known.set(source, form);
    void form.then((one) => read.set(source, one));
  }
  return form;
}

async function readFormOf(source: string, file: PdfPictures): Promise<Form> {
  if (!(await file.about.hasForm())) return NO_FORM;
  const bytes = await readSource(source);
  if (!bytes) return NO_FORM;
  const password = passwordFor(source);
  const ask = { bytes, ...(password === undefined ? {} : { password }) };
  const { result } = startWork('form', ask);
  const answer = await result;
  if (answer.ok) return answer.value;
  throw new Error(answer.failure.kind === 'stopped' ? 'It was stopped.' : answer.failure.message);
}

/** The form of a source as far as it has been read; no fields until then. */
export const formKnown = (source: string | null): Form =>
  (source !== null && read.get(source)) || NO_FORM;

/** The form of a source, once it has been read. */
export function useForm(source: string | null, file: PdfPictures | null): Form {
  const [form, setForm] = useState(() => formKnown(source));
  useEffect(() => {
    if (!source || !file) return undefined;
    let isGone = false;
    void formOf(source, file).then((one) => isGone || setForm(one));
    return () => {
      isGone = true;
    };
  }, [source, file]);
  return form;
}
