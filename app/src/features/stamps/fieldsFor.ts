import type { StampFields } from '@marginalis/core/stamps';
import { type DocumentSession, useSettings } from '@/session';

/** What is filled in on a stamp that is put on a page, from 0. */
export function fieldsFor({ desk, guide }: DocumentSession, index: number, at: Date): StampFields {
  return {
    name: useSettings.getState().author,
    date: at.toLocaleDateString(undefined, { day: 'numeric', month: 'long', year: 'numeric' }),
    time: at.toLocaleTimeString(undefined, { hour: '2-digit', minute: '2-digit' }),
    title: desk.title,
    page: guide.nameOf(index),
  };
}
