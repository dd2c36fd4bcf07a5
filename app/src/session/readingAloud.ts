import type { Page } from '@marginalis/core/document';
import {
  type Print,
  type Sentence,
  sentencesOf,
  spokenOf,
  type TextRange,
  wordAround,
} from '@marginalis/core/print';
import { createStore } from 'zustand/vanilla';
import type { Speech } from '@/work';
import { useSettings } from './settings';
import type { SourcePrint } from './sourcePrint';
import type { WordEnd } from './wordsInHand';

/** By voice, or by a mark that moves over the words without sound. */
export type ReadingWay = 'voice' | 'pacer';

/** What is being read. */
export interface BeingRead {
  /** From 0. */
  readonly page: number;
  readonly print: Print;
  readonly sentence: TextRange;
  /** Null where the voice does not tell its words. */
  readonly word: TextRange | null;
}

export interface ReadingState {
  /** Null while nothing is read. */
  readonly way: ReadingWay | null;
  readonly going: boolean;
  readonly at: BeingRead | null;
  /** What was to be read aloud where there is no voice: the pacer may lead over it. */
  readonly voiceless: { readonly from: WordEnd; readonly until: WordEnd | null } | null;
}

const NOTHING: ReadingState = { way: null, going: false, at: null, voiceless: null };

/** Voices that have not come after so long do not come, ms. */
const VOICES_COME = 800;

/** A word takes as long as so many more letters than it has: short ones are not rushed over. */
const BESIDES = 3;
/** The letters of a word by which words a minute are counted, with the space (common practice in typing). */
const USUAL = 5;

/** How long the pacer stays on a word, ms. */
export const timeOnWord = (letters: number, wordsPerMinute: number): number =>
  (60_000 / wordsPerMinute) * ((letters + BESIDES) / (USUAL + BESIDES));

/** Reads the document aloud, or leads over its words, sentence by sentence and on over the ends of pages. */
export class ReadingAloud {
  readonly store = createStore<ReadingState>(() => NOTHING);
  private silence: () => void = () => undefined;
  private timer: ReturnType<typeof setTimeout> | undefined;
  /** Where it ends; null at the end of the document. */
  private until: WordEnd | null = null;
  /** Counts beginnings: what an earlier one still waits for is not heard. */
  private turns = 0;

  constructor(
    private readonly print: SourcePrint,
    private readonly pages: () => readonly Page[],
    readonly speech: Speech,
    private readonly tell: (message: string) => void,
  ) {}

  /** Reads from a place on, to another or to the end. */
  async start(way: ReadingWay, from: WordEnd, until: WordEnd | null = null): Promise<void> {
    this.stop();
    const turn = this.turns;
    const isVoiceless = way === 'voice' && !(await this.hasVoice());
    if (turn !== this.turns) return;
    if (isVoiceless) return this.store.setState({ ...NOTHING, voiceless: { from, until } });
    this.until = until;
    this.store.setState({ ...NOTHING, way, going: true });
    const found = await this.sentenceFrom(from, 1);
    if (found === 'elsewhere') return;
    if (!found) {
      this.tell('There are no words to read from here on.');
      return this.stop();
    }
    const { page, print, sentences, number } = found;
    const sentence = sentences[number];
    // From the word one asked for, though its sentence began before it.
    const start = page === from.page ? Math.max(sentence.from, from.place) : sentence.from;
    this.read(page, print, { from: start, to: sentence.to });
  }

  stop = (): void => {
    this.hush();
    this.until = null;
    this.store.setState(NOTHING);
  };

  /** Holds, or goes on with the sentence it held in. */
  toggle = (): void => {
    const { way, going, at } = this.store.getState();
    if (!way || !at) return;
    this.hush();
    if (going) this.store.setState({ going: false });
    else this.read(at.page, at.print, at.sentence);
  };

  /** To the next sentence, or the one before. */
  step = async (by: 1 | -1): Promise<void> => {
    const { at, going } = this.store.getState();
    if (!at) return;
    this.hush();
    const isPast = ({ page, place }: WordEnd): boolean =>
      this.until !== null &&
      (page > this.until.page || (page === this.until.page && place >= this.until.place));
    const end = { page: at.page, place: at.sentence.to };
    if (by > 0 && isPast(end)) return this.stop();
    const from = by > 0 ? end : { page: at.page, place: at.sentence.from - 1 };
    const found = await this.sentenceFrom(from, by);
    if (found === 'elsewhere') return;
    const start = found && { page: found.page, place: found.sentences[found.number].from };
    if (by > 0 && (!start || isPast(start))) return this.stop();
    if (!found) return this.read(at.page, at.print, at.sentence);
    const sentence = found.sentences[found.number];
    if (going) this.read(found.page, found.print, sentence);
    else {
      const { page, print } = found;
      this.store.setState({ at: { page, print, sentence, word: null } });
    }
  };

  /** The voice or the pace is another: the sentence begins again. */
  again = (): void => {
    const { at, going } = this.store.getState();
    if (!at || !going) return;
    this.hush();
    this.read(at.page, at.print, at.sentence);
  };

  private hasVoice(): Promise<boolean> {
    const { speech } = this;
    if (speech.voices().length > 0) return Promise.resolve(true);
    return new Promise((resolve) => {
      const look = (): void => {
        clearTimeout(timer);
        unsubscribe();
        resolve(speech.voices().length > 0);
      };
      const timer = setTimeout(look, VOICES_COME);
      const unsubscribe = speech.onVoices(look);
    });
  }

  private hush(): void {
    this.turns++;
    this.silence();
    this.silence = () => undefined;
    clearTimeout(this.timer);
  }

  private read(page: number, print: Print, sentence: TextRange): void {
    const { until } = this;
    const to = until?.page === page ? Math.min(sentence.to, until.place) : sentence.to;
    const range = { from: sentence.from, to };
    this.store.setState({ going: true, at: { page, print, sentence: range, word: null } });
    if (this.store.getState().way === 'voice') this.say(range, print);
    else this.lead(range, print, range.from);
  }

  private say(range: TextRange, print: Print): void {
    const { text, places } = spokenOf(print, range);
    const { voice, pace } = useSettings.getState().reading;
    this.silence = this.speech.say(
      text,
      { voice, pace },
      {
        word: (at) => this.mark(print, places[at]),
        done: () => void this.step(1),
        failed: (message) => {
          this.tell(message);
          this.stop();
        },
      },
    );
  }

  private lead(range: TextRange, print: Print, place: number): void {
    const word = wordAround(print, place);
    if (!word || place >= range.to) return void this.step(1);
    this.mark(print, word.from);
    const { wordsPerMinute } = useSettings.getState().reading;
    const next = print.words.find(({ from }) => from > word.from)?.from ?? Infinity;
    this.timer = setTimeout(
      () => this.lead(range, print, next),
      timeOnWord(word.to - word.from, wordsPerMinute),
    );
  }

  private mark(print: Print, place: number | undefined): void {
    const { at } = this.store.getState();
    const word = place === undefined ? null : wordAround(print, place);
    if (at && word) this.store.setState({ at: { ...at, word } });
  }

  /** The sentence that a place is in, or the next one that way; null past the ends of the document. */
  private async sentenceFrom({ page, place }: WordEnd, by: 1 | -1) {
    const turn = this.turns;
    const pages = this.pages();
    for (let n = page; n >= 0 && n < pages.length; n += by) {
      let print: Print;
      try {
        print = await this.print.of(pages[n]);
      } catch (e) {
        if (turn !== this.turns) return 'elsewhere' as const;
        this.tell(e instanceof Error ? e.message : String(e));
        return null;
      }
      if (turn !== this.turns) return 'elsewhere' as const;
      const sentences: Sentence[] = sentencesOf(print).filter(({ running }) => !running);
      const at = n === page ? place : by > 0 ? 0 : Infinity;
      const number =
        by > 0
          ? sentences.findIndex(({ to }) => to > at)
          : sentences.reduce((last, { from }, k) => (from <= at ? k : last), -1);
      if (number >= 0) return { page: n, print, sentences, number };
    }
    return null;
  }
}
