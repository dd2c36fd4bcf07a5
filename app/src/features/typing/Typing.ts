import { findMark, findPage, markChange } from '@marginalis/core/document';
import { keepText } from '@marginalis/core/editing';
import { distanceToBox } from '@marginalis/core/geometry';
import { asText, cornersOfBox, LONGEST_TEXT, type TextMark } from '@marginalis/core/kinds';
import {
  type LetterStyle,
  replaced,
  restyled,
  retyped,
  sameEnds,
  type Shortcut,
  type Span,
  styleAt,
  textOfSpans,
  typeable,
} from '@marginalis/core/type';
import { createStore } from 'zustand/vanilla';
import type { DocumentSession } from '@/session';
import { pageFonts } from '@/stage';
import { isInParts } from './field';
import type { Emphasized } from './pastedEmphasis';

/** So far a text may hang over the edge of its page before that is said, points. */
const BEYOND = 4;
/** A word that nobody goes on with is kept after so long, ms. */
const PAUSE = 1_000;
/** A word has ended. */
const ENDED = /[\s.,;:!?…)\]}»”’،؛؟।]$/u;

const linesIn = (text: string): number => text.split('\n').length;

export interface TypedText {
  /** The box as it is by now. */
  readonly mark: TextMark;
  /** Another number where the field has to show other text or another look than it does. */
  readonly version: number;
  /** Where its caret is to stand then, in units of the text; null where it stays. */
  readonly caret: number | null;
  /** Its letters are smaller than they are meant by this, so that the box keeps its height. */
  readonly shrunk: number;
  /** Where in it one types, and how what is typed there next looks otherwise than what stands before it; null where it looks like that. */
  readonly next: { readonly at: number; readonly change: Partial<LetterStyle> } | null;
}

/**
 * A text that is typed: every word that is finished is a step of the document, so that undo goes back by words, and no more than the word being typed is
 * ever lost. While it lasts the field stands for the mark, which is not shown.
 */
export class Typing {
  readonly store;
  /** As the document has it; null where it has none. */
  private kept: TextMark | null;
  /** Signs of which it has been said that no face has them. */
  private readonly told = new Set<string>();
  private isOver = false;
  private pause: ReturnType<typeof setTimeout> | undefined;
  private readonly unfollow: () => void;

  constructor(
    readonly session: DocumentSession,
    mark: TextMark,
    kept: TextMark | null,
    /** Called when it is laid down. */
    private readonly ended: () => void,
  ) {
    this.kept = kept;
    this.store = createStore<TypedText>(() => ({
      mark,
      version: 0,
      caret: null,
      shrunk: pageFonts.setBlock(mark.block)?.scale ?? 1,
      next: null,
    }));
    session.inHand.pick([]);
    session.inHand.begin({
      takeBack: () => this.step('undo'),
      redo: () => this.step('redo'),
      finish: () => this.finish(),
    });
    this.unfollow = session.store.subscribe(this.follow);
    this.hide();
  }

  get mark(): TextMark {
    return this.store.getState().mark;
  }

  /** The field says this while the browser puts a letter or a word together: no step yet, but not lost when it is laid down. */
  compose(text: string): void {
    this.become(retyped(this.mark.block.spans, this.fitting(text)), false);
  }

  /** The field says this now, its caret at a place. */
  say(shown: string, caret = shown.length): void {
    const before = textOfSpans(this.mark.block.spans);
    const text = this.fitting(shown);
    // What cannot be kept goes from the field too.
    if (text !== shown) this.become(retyped(this.mark.block.spans, text), true);
    else if (text !== before) this.type(before, text, caret);
    // What is put in or taken away in one go, and what ends a word.
    if (Math.abs(text.length - before.length) > 1 || ENDED.test(text.slice(-2))) this.keep();
    else this.keepSoon();
  }

  private type(before: string, text: string, caret: number): void {
    const { next } = this.store.getState();
    const spans = retyped(this.mark.block.spans, text);
    const added = text.length - before.length;
    const isThere = next && added > 0 && text.startsWith(before.slice(0, next.at));
    this.store.setState({ next: null });
    // What is typed into a cell beside its letter gets a cell of its own, a paragraph of a list what marks it, and every paragraph a part where they have some.
    const { block } = this.mark;
    const isShown =
      block.cell !== undefined ||
      block.list !== undefined ||
      (isInParts({ ...block, spans }) && linesIn(before) !== linesIn(text));
    if (!isThere) return this.become(spans, isShown, caret);
    const { at, change } = next;
    // From here on what is typed looks like what stands before it.
    this.become(restyled(spans, at, at + added, change), true, at + added);
  }

  /** What is typed at a place next looks otherwise. */
  lookNext(at: number, change: Partial<LetterStyle>): void {
    const { next } = this.store.getState();
    const before = next?.at === at ? next.change : {};
    this.store.setState({ next: { at, change: { ...before, ...change } } });
  }

  /** One goes on elsewhere in the text: there it looks like what stands there. */
  goTo(at: number): void {
    const { next } = this.store.getState();
    if (next && next.at !== at) this.store.setState({ next: null });
  }

  /** How what is typed at a place looks. */
  lookAt(at: number): LetterStyle {
    const { next, mark } = this.store.getState();
    const style = styleAt(mark.block.spans, at);
    return next?.at === at ? { ...style, ...next.change } : style;
  }

  /** Puts a sign in place of what stands for it; the caret stays where it stands. The letters are a step of their own: undo gives them back. */
  takeShortcut({ from, to, sign }: Shortcut, caret: number): void {
    this.keep();
    const after = caret - (to - from) + sign.length;
    this.become(replaced(this.mark.block.spans, from, to, sign), true, after);
    this.keep();
  }

  /** While nothing is typed it can stand elsewhere. */
  moveTo(elsewhere: TextMark | null): void {
    const { mark, version } = this.store.getState();
    if (!elsewhere || this.kept || textOfSpans(mark.block.spans) !== '') return;
    this.store.setState({ mark: { ...elsewhere, id: mark.id }, version: version + 1 });
  }

  /** Puts text in place of a part of it: what is pasted, a new line, a sign. */
  put(from: number, to: number, text: string, emphasized: readonly Emphasized[] = []): void {
    const { spans } = this.mark.block;
    const rest = textOfSpans(spans).length - (to - from);
    const put = this.fitting(text, LONGEST_TEXT - rest);
    const all = emphasized.reduce<readonly Span[]>(
      (said, part) =>
        restyled(said, from + part.from, from + Math.min(part.to, put.length), part.by),
      replaced(spans, from, to, put),
    );
    this.become(all, true, from + put.length);
    this.keep();
  }

  /** Text as a box can have it; what is beyond its most is told. */
  private fitting(text: string, most = LONGEST_TEXT): string {
    const said = typeable(text);
    if (said.length <= most) return said;
    this.session.notices.tell(
      `A text box holds ${LONGEST_TEXT.toLocaleString('en')} characters: what is beyond has been left out.`,
    );
    return said.slice(0, Math.max(0, most));
  }

  /** Gives letters another look. */
  restyle(from: number, to: number, change: Partial<LetterStyle>): void {
    this.become(restyled(this.mark.block.spans, from, to, change), true);
    this.keep();
  }

  private become(spans: readonly Span[], shown: boolean, caret: number | null = null): void {
    const { mark, version } = this.store.getState();
    this.store.setState({
      mark: { ...mark, block: { ...mark.block, spans } },
      version: shown ? version + 1 : version,
      caret,
    });
  }

  private keepSoon(): void {
    clearTimeout(this.pause);
    this.pause = setTimeout(() => this.keep(), PAUSE);
  }

  /** Keeps what is typed so far as a step of the document. */
  keep(): void {
    clearTimeout(this.pause);
    const { session } = this;
    const next = this.measured();
    const before = this.kept;
    const transaction = keepText(before, next);
    if (!transaction) return;
    const [{ after }] = transaction.changes;
    this.kept = after === null ? null : next;
    if (!session.dispatch(transaction)) this.kept = before;
    this.hide();
  }

  /** As high as its lines are; about so high while its faces are still to come. */
  private measured(): TextMark {
    const { mark } = this;
    const set = pageFonts.setBlock(mark.block);
    if (set) {
      this.tellMissing(set.missing);
      if (set.scale !== this.store.getState().shrunk) this.store.setState({ shrunk: set.scale });
      return { ...mark, height: set.height };
    }
    pageFonts.settle(mark.block).then(
      ({ missing }) => this.tellMissing(missing),
      (e: unknown) => console.warn('A face could not be loaded.', e),
    );
    const lines = textOfSpans(mark.block.spans).split('\n').length;
    const [{ style }] = mark.block.spans;
    return { ...mark, height: Math.max(mark.height, lines * style.size * mark.block.leading) };
  }

  /** Says once of each sign that no face has it. */
  private tellMissing(missing: readonly string[]): void {
    const fresh = missing.filter((sign) => !this.told.has(sign));
    for (const sign of fresh) this.told.add(sign);
    if (fresh.length === 0) return;
    const { notices } = this.session;
    notices.tell(
      `No face of the program has ${fresh.map((sign) => `“${sign}”`).join(', ')}: it is kept, and an empty box stands for it on the page.`,
      {
        text: 'Choose a font file',
        run: () =>
          void import('./askForFont').then(async ({ askForFont }) => {
            const said = await askForFont();
            if (said) notices.tell(said);
          }),
      },
    );
  }

  /** Says so where the text begins on its page and ends beyond it. */
  private tellBeyond(): void {
    const { kept, session } = this;
    const page = kept && findPage(session.store.getState().document, kept.page);
    if (!page) return;
    const [head, , , foot] = cornersOfBox(kept).map((corner) => distanceToBox(corner, page.box));
    if (head <= BEYOND && foot > BEYOND)
      session.notices.tell(
        'The text is longer than its page. What lies beyond the edge is kept, but not in a copy.',
      );
  }

  private step(act: 'undo' | 'redo'): void {
    this.keep();
    this.session[act]();
  }

  /** Whoever changed the document: the field says what it says, and the mark stays out of sight. */
  private follow = (): void => {
    const { document, writable, phase } = this.session.store.getState();
    if (!writable || phase !== 'open') return this.finish();
    const there = asText(findMark(document, this.mark.id));
    if (there !== this.kept) {
      clearTimeout(this.pause);
      this.kept = there;
      const { mark, version } = this.store.getState();
      const empty = { ...mark, block: { ...mark.block, spans: retyped(mark.block.spans, '') } };
      const next = there ?? empty;
      const [was, is] = [mark, next].map(({ block }) => textOfSpans(block.spans));
      const caret = is.length - sameEnds(was, is).foot;
      this.store.setState({ mark: next, version: version + 1, caret });
    }
    this.hide();
  };

  private hide(): void {
    const { draft } = this.session.store.getState();
    if (this.kept && !draft) this.session.inHand.preview([markChange(this.kept, null)]);
  }

  /** Keeps what is there and lays it down. */
  finish(): void {
    if (this.isOver) return;
    this.isOver = true;
    this.ended();
    this.unfollow();
    this.keep();
    this.tellBeyond();
    this.session.inHand.begin(null);
    this.session.inHand.preview(null);
    this.setEquations();
  }

  private setEquations(): void {
    const { kept, session } = this;
    if (!kept) return;
    const { block } = kept;
    if (!block.equations && !textOfSpans(block.spans).includes('$')) return;
    void import('./setEquationsIn').then(({ setEquationsIn }) => setEquationsIn(session, kept.id));
  }
}
