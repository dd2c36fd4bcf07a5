import type { StampFields } from '@marginalis/core/stamps';
import type { DocumentSession } from './documentSession';
import { useSettings } from './settings';

/** What is filled in on what is put on a page, from 0. */
export function stampFieldsFor(
  { desk, guide }: DocumentSession,
  index: number,
  at: Date,
): StampFields {
  return {
    name: useSettings.getState().author,
    date: at.toLocaleDateString(undefined, { day: 'numeric', month: 'long', year: 'numeric' }),
    time: at.toLocaleTimeString(undefined, { hour: '2-digit', minute: '2-digit' }),
    title: desk.title,
    page: guide.nameOf(index),
  };
}
