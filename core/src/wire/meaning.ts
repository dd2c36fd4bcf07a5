import { array, type InferType, object, string } from 'yup';

export const PARTS_OF_SPEECH = ['noun', 'verb', 'adjective', 'adverb'] as const;

/** Words that can be looked up: letters, and what stands within words. */
export const WORD_PATTERN = /^\p{L}[\p{L}\p{M}\d' ’.-]{0,59}$/u;

const senseSchema = object({
  /** The word in its base form. */
  lemma: string().required().max(200),
  part: string()
    .oneOf([...PARTS_OF_SPEECH])
    .required(),
  meaning: string().required().max(4000),
  examples: array(string().required().max(1000)).max(20).required(),
  /** Other words of the same meaning. */
  alike: array(string().required().max(200)).max(60).required(),
});

/** What the lexical database says of a word; no senses where it does not know it. */
export const meaningSchema = object({
  word: string().required().max(200),
  senses: array(senseSchema.required()).max(60).required(),
});
export type Sense = InferType<typeof senseSchema>;
export type Meaning = InferType<typeof meaningSchema>;
