import { problemWith } from '@marginalis/core/fields';
import type { Reader } from '@/shell';
import { fill, type PlaceOnPage } from './placeOnPage';

/** What is typed is filled in after each word, and when one pauses so long, ms. */
const PAUSE = 800;
const ENDS_WORD = /[\s.,;:!?)]$/u;

/** What is being typed into a field: filled in word by word, so that each is a step to undo and a closed tab loses no more than one. */
export class TypedField {
  private said: string | null = null;
  private clock: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private readonly reader: Pick<Reader, 'session'>,
    private readonly place: PlaceOnPage,
  ) {}

  /** Something is typed that is not filled in yet. */
  get isOpen(): boolean {
    return this.said !== null;
  }

  /** The field says this now; why it cannot hold it, or null. */
  say(text: string): string | null {
    this.said = text;
    clearTimeout(this.clock);
    const problem = problemWith(this.place.field, [text]);
    if (problem) return problem;
    if (ENDS_WORD.test(text)) this.take();
    else this.clock = setTimeout(this.take, PAUSE);
    return null;
  }

  /** Fills in what is typed; what the field cannot hold is left there to be mended. */
  take = (): void => {
    clearTimeout(this.clock);
    if (this.said === null || problemWith(this.place.field, [this.said])) return;
    const { said } = this;
    this.said = null;
    fill(this.reader, this.place, [said]);
  };
}
