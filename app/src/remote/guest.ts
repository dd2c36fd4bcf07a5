import {
  type Answer,
  type NotesForGuests,
  notesForGuestsSchema,
  type PageSizes,
  pageSizesSchema,
  pageWordsSchema,
  type SharedDocument,
  sharedDocumentSchema,
  type VisitAsks,
  visitAskedSchema,
} from '@marginalis/core/wire';
import type { Schema } from 'yup';
import { ask, askJson, ServerError } from './server';

const pathOf = (token: string): string => `/api/links/${encodeURIComponent(token)}`;

/** Thrown when a link asks its guests for something first. */
export class VisitAsked extends Error {
  override readonly name = 'VisitAsked';

  constructor(readonly asks: VisitAsks) {
    super('This document asks for something first.');
  }
}

/** @throws VisitAsked, ServerError */
export async function readShared(token: string): Promise<SharedDocument> {
  try {
    return await askJson<SharedDocument>(sharedDocumentSchema, pathOf(token));
  } catch (e) {
    if (e instanceof ServerError && visitAskedSchema.isValidSync(e.body))
      throw new VisitAsked(e.body.asks);
    throw e;
  }
}

/** Lets a guest in who says what is asked for; the browser keeps the visit. @throws ServerError with 403 where the password is another */
export const visitLink = async (
  token: string,
  said: { readonly password: string; readonly name: string },
): Promise<void> => {
  await ask(`${pathOf(token)}/visit`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(said),
  });
};

/** Where a guest keeps what was shown. */
export const sharedFilePath = (token: string): string => `${pathOf(token)}/file?keep`;

export const readSharedFile = async (token: string): Promise<Uint8Array> =>
  new Uint8Array(await (await ask(`${pathOf(token)}/file`)).arrayBuffer());

/** Of a document of which pictures are served: its pages as they are seen, points. */
export const readPageSizes = (token: string): Promise<PageSizes> =>
  askJson(pageSizesSchema as Schema<PageSizes>, `${pathOf(token)}/pages`);

/** A page, from 0, in one of the widths there are. */
export const readPagePicture = async (token: string, index: number, width: number): Promise<Blob> =>
  (await ask(`${pathOf(token)}/pages/${index + 1}?width=${width}`)).blob();

/** The words of a page, from 0, where they may be copied. */
export const readPageWords = async (token: string, index: number): Promise<string> =>
  (await askJson<{ text: string }>(pageWordsSchema, `${pathOf(token)}/pages/${index + 1}/words`))
    .text;

/** The notes that may be answered, and what was answered so far. */
export const readNotes = (token: string): Promise<NotesForGuests> =>
  askJson(notesForGuestsSchema as Schema<NotesForGuests>, `${pathOf(token)}/notes`);

/** Answers a note. @throws ServerError with 400 where the note is there no more */
export const sendAnswer = async (token: string, answer: Answer): Promise<void> => {
  await ask(`${pathOf(token)}/answers`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(answer),
  });
};
