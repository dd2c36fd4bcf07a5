import { boundsOf, wordsKnown } from '../derived/index.ts';
import {
  type Box,
  boxCentre,
  distance,
  inPolygon,
  type Matrix,
  moveBy,
  transform,
  uniteBoxes,
} from '../geometry/index.ts';
import {
  asCorrection,
  asField,
  asNote,
  asRedaction,
  asWords,
  type CorrectionMark,
  isArea,
  kindFor,
  type Mark,
} from '../kinds/index.ts';
import { aroundQuad, mapQuad, type Print, type Quad, textBeneath } from '../print/index.ts';
import type { EditionText, PageFate } from './editionText.ts';
import type { FieldFinder } from './fieldFinder.ts';
import type { CarryReason, PlacedMark, Verdict } from './placed.ts';
import { movedAlike, onWords, type WordsNow, wordsNow } from './placeWords.ts';
import { besideLine, type Surroundings, surroundingsOf } from './surroundings.ts';

/** From these shares on a place is certain, or likely. */
const CERTAIN = 0.7;
const LIKELY = 0.25;
/** Words that have moved alike to within this are where they were to each other, points. */
const ALIKE = 2.5;
/** Most of the page is as the map says. */
const WHOLE_PAGE = 0.9;
const HALF_PAGE = 0.5;
/** Of a page that is told by its picture so much is found again, and clearly. */
const SEEN = 0.5;

interface Place {
  readonly verdict: Verdict;
  readonly confidence: number;
  readonly reason: CarryReason;
  readonly page: number;
  readonly map: Matrix;
}

/** Finds the places of marks of one page in another edition. */
export class Placing {
  private readonly fate: PageFate;

  constructor(
    private readonly text: EditionText,
    fates: readonly PageFate[],
    private readonly print: Print,
    private readonly from: number,
    private readonly unit: number,
    private readonly findField: FieldFinder,
  ) {
    this.fate = fates[from];
  }

  place(marks: readonly Mark[]): PlacedMark[] {
    const [first] = marks;
    if (asField(first)) return marks.map((mark) => this.filledIn(mark));
    const correction = marks.length === 1 ? asCorrection(first) : null;
    if (correction) return [this.corrected(correction)];
    const meant = marks.map((mark) => this.meant(mark));
    // What a mark on words, or a note about some, is about is all there is to say of its place.
    if (marks.length === 1 && isOfWords(first)) return [this.onItsWords(first, meant[0])];
    const words = meant.flat();
    const place =
      (words.length > 0 ? this.withItsWords(marks, words) : null) ??
      this.besides(marks.map(boundsOf).reduce(uniteBoxes));
    if (!place) return marks.map((mark) => this.gone(mark));
    return marks.map((mark) => this.carried(mark, place));
  }

  /** The words of the page, by their numbers, that a mark is about. */
  private meant(mark: Mark): number[] {
    const { words } = this.print;
    const note = asNote(mark);
    if (note) return this.wordsWithin(note.quads);
    const ranges = wordsKnown(mark, this.print);
    return words.flatMap(({ from, to }, k) =>
      ranges.some((range) => range.from < to && range.to > from) ? [k] : [],
    );
  }

  private wordsWithin(quads: readonly Quad[]): number[] {
    const areas = quads.map(aroundQuad);
    return this.print.words.flatMap(({ box }, k) =>
      areas.some((corners) => inPolygon(corners, boxCentre(box))) ? [k] : [],
    );
  }

  private filledIn(mark: Mark): PlacedMark {
    const field = asField(mark);
    const now = field && this.findField(field);
    if (!now) return this.lost(mark, 'field');
    const { from, unit } = this;
    const sure = { verdict: 'certain', confidence: 1, reason: 'sameField' } as const;
    return { mark: mark.id, from, unit, ...sure, ...now };
  }

  /** A line that was corrected is corrected where it says the same; where it does not, nobody knows whether it still is to be. */
  private corrected(mark: CorrectionMark): PlacedMark {
    const words = this.wordsWithin([mark.quad]);
    const now = words.length > 0 ? wordsNow(this.text, this.from, words) : null;
    const moved = now?.reason === 'words' && movedAlike(this.text, this.from, words, ALIKE);
    if (!moved) return this.gone(mark);
    const map = moveBy(moved.by);
    const after = { ...mark, quad: mapQuad(mark.quad, map), at: transform(map, mark.at) };
    const place = { page: moved.page, map, confidence: 1, reason: 'words' } as const;
    return this.told(mark, { ...place, verdict: 'certain' }, after);
  }

  private onItsWords(mark: Mark, words: readonly number[]): PlacedMark {
    const now = words.length > 0 ? wordsNow(this.text, this.from, words) : null;
    const print = now && this.text.pageNow(now.page).print;
    const after = now && print && onWords(mark, print, now.range);
    if (!now || !after) return this.gone(mark);
    const verdict = now.reason === 'words' ? 'certain' : 'likely';
    const map = this.mapOf(words, now);
    return this.told(
      mark,
      { verdict, confidence: now.share, reason: this.reasonOf(words, now), page: now.page, map },
      after,
    );
  }

  /** Its words are all there, but on other lines. */
  private reasonOf(words: readonly number[], { reason }: WordsNow): CarryReason {
    if (reason !== 'words') return reason;
    return movedAlike(this.text, this.from, words, ALIKE) ? 'words' : 'reflowed';
  }

  private mapOf(words: readonly number[], { page, range }: WordsNow): Matrix {
    const moved = movedAlike(this.text, this.from, words, Infinity);
    if (moved?.page === page) return moveBy(moved.by);
    const { box } = this.print.words[words[0]];
    const there = this.text.pageNow(page).print.words.find(({ from }) => from >= range.from);
    return there
      ? moveBy({ x: there.box.minX - box.minX, y: there.box.minY - box.minY })
      : this.fate.map;
  }

  /** What goes round, underlines or strikes out words goes with them, where these stand as they stood. */
  private withItsWords(marks: readonly Mark[], words: readonly number[]): Place | null {
    const now = wordsNow(this.text, this.from, words);
    // What stands beside a text stays beside it, whatever its words have become.
    if (!now || this.standsBeside(marks, words)) return null;
    const certain = { verdict: 'certain', confidence: now.share, reason: 'words' } as const;
    if (this.liesAsPage(words, now.page)) return { ...certain, page: now.page, map: this.fate.map };
    const moved = movedAlike(this.text, this.from, words, ALIKE);
    if (moved && now.reason === 'words')
      return { ...certain, page: moved.page, map: moveBy(moved.by) };
    const around = this.around(marks.map(boundsOf).reduce(uniteBoxes));
    if (now.reason === 'reworded' && around && around.share >= LIKELY) {
      const { page, map, share } = around;
      return { verdict: 'likely', confidence: share, reason: 'reworded', page, map };
    }
    const reason = now.reason === 'words' ? 'reflowed' : 'reworded';
    const map = this.mapOf(words, now);
    return { verdict: 'likely', confidence: now.share / 2, reason, page: now.page, map };
  }

  /** Whether words are where the page's map has them. */
  private liesAsPage(words: readonly number[], page: number): boolean {
    const { to, share, map } = this.fate;
    if (page !== to || share < HALF_PAGE) return false;
    return words.every((word) => {
      const found = this.text.words[this.from][word];
      return (
        found?.now?.page === page &&
        distance(transform(map, boxCentre(found.box)), boxCentre(found.now.box)) <= ALIKE
      );
    });
  }

  private around(area: Box): Surroundings | null {
    return surroundingsOf(this.text.words[this.from], this.fate, area);
  }

  private standsBeside(marks: readonly Mark[], words: readonly number[]): boolean {
    const { minX, maxX } = marks.map(boundsOf).reduce(uniteBoxes);
    return words.every((word) => {
      const { box } = this.print.words[word];
      return box.maxX < minX || box.minX > maxX;
    });
  }

  /** What is about no words goes with what stands around it, or with the page. */
  private besides(area: Box): Place | null {
    const { fate } = this;
    const around = this.around(area);
    if (around) {
      const isPage = around.page === fate.to && around.map === fate.map;
      const sure = isSure(around) || (isPage && fate.share >= WHOLE_PAGE);
      if (around.share >= LIKELY || isPage)
        return {
          verdict: sure ? 'certain' : 'likely',
          confidence: around.share,
          reason: sure ? 'around' : 'changed',
          ...{ page: around.page, map: around.map },
        };
    }
    const line = besideLine(this.text.words[this.from], area);
    if (line && fate.share < HALF_PAGE)
      return { verdict: 'likely', confidence: LIKELY, reason: 'reflowed', ...line };
    if (fate.to === null) return null;
    const isSeen = fate.by === 'picture';
    if (fate.share < LIKELY && !isSeen) return null;
    const verdict = fate.share >= (isSeen ? SEEN : WHOLE_PAGE) ? 'certain' : 'likely';
    const reason = isSeen ? 'picture' : 'page';
    return { verdict, confidence: fate.share, reason, page: fate.to, map: fate.map };
  }

  private carried(mark: Mark, place: Place): PlacedMark {
    const after = kindFor(mark).carry(mark, place.map, {});
    const bar = asRedaction(after);
    if (!bar) return this.told(mark, place, after);
    // What lies beneath it may be another word by now.
    const { print } = this.text.pageNow(place.page);
    return this.told(mark, place, { ...bar, says: textBeneath(print, bar.quads) });
  }

  private told(
    mark: Mark,
    { verdict, confidence, reason, page, map }: Place,
    after: Mark,
  ): PlacedMark {
    const { from, unit } = this;
    return { mark: mark.id, unit, from, verdict, confidence, reason, page, map, after };
  }

  private gone(mark: Mark): PlacedMark {
    return this.lost(mark, this.fate.to === null ? 'noPage' : 'gone');
  }

  private lost(mark: Mark, reason: CarryReason): PlacedMark {
    return {
      ...{ mark: mark.id, unit: this.unit, from: this.from },
      ...{ verdict: 'lost', confidence: 0, reason },
      ...{ page: null, after: null, map: null },
    };
  }
}

const isSure = ({ share, count, nearest }: Surroundings): boolean =>
  share >= CERTAIN && count >= 3 && nearest;

const isOfWords = (mark: Mark): boolean => {
  const [words, note] = [asWords(mark), asNote(mark)];
  return (words !== null && !isArea(words)) || (note !== null && note.quads.length > 0);
};
