import { array, boolean, type InferType, number, object, string } from 'yup';
import { LONGEST_NAME } from './guest.ts';

/** Notes that guests of a link are shown, and what they may weigh, bytes. */
export const MOST_SHARED_NOTES = 2000;
export const MOST_NOTES_BYTES = 1024 * 1024;
/** Of an answer, characters; and answers that one link takes. */
export const LONGEST_ANSWER = 2000;
export const MOST_ANSWERS = 1000;

const id = string().strict().required().max(100);
const words = string().strict().defined();
/** What somebody has typed, without what surrounds it; anything but a string is nothing. */
const typed = (most: number) =>
  string()
    .transform((_value, said: unknown) => (typeof said === 'string' ? said.trim() : undefined))
    .min(1)
    .max(most)
    .required();
const time = number().strict().required();

/** A note as guests are shown it, who may answer it. */
const noteShape = object({
  id,
  /** What its page is called; empty where its place is gone. */
  page: words.max(100),
  /** The words it is about; may be empty. */
  quote: words.max(300),
  isSettled: boolean().strict().required(),
  /** The note itself, and the answers to it. */
  said: array(
    object({
      author: words.max(200),
      madeAt: time,
      text: words.max(100_000),
      /** It is written with the pen, and its text is how that reads. */
      isWritten: boolean().strict().required(),
    }).required(),
  )
    .strict()
    .required()
    .max(10_000),
});
export type SharedNote = InferType<typeof noteShape>;

/** What the owner puts beside a copy, `PUT /api/links/:token/notes`. */
export const sharedNotesSchema = array(noteShape.required())
  .strict()
  .required()
  .max(MOST_SHARED_NOTES);

/** What a guest says to a note, `POST /api/links/:token/answers`. */
export const answerSchema = object({
  /** Of the note. */
  note: id,
  /** Who says it. */
  name: typed(LONGEST_NAME),
  text: typed(LONGEST_ANSWER),
});
export type Answer = InferType<typeof answerSchema>;

/** An answer as it is kept: the last thing that was said is the last. */
export const keptAnswerSchema = answerSchema.shape({ id, at: time });
export type KeptAnswer = InferType<typeof keptAnswerSchema>;

/** What a guest is called beside those who were not sent a link. */
export const guestAuthor = (name: string): string => `${name} (guest)`;

/** All answers to a link, oldest first: for its owner, `GET /api/links/:token/answers`. */
export const answersSchema = array(keptAnswerSchema.required()).required().max(MOST_ANSWERS);

/** What guests see, `GET /api/links/:token/notes`. */
export const notesForGuestsSchema = object({
  notes: sharedNotesSchema,
  answers: answersSchema,
});
export type NotesForGuests = InferType<typeof notesForGuestsSchema>;
