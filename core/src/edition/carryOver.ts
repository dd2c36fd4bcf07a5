import { boundsOf, listMarks, listRows, wordsKnown } from '../derived/index.ts';
import type { DocState } from '../document/index.ts';
import {
  type Box,
  boxCentre,
  distance,
  type Matrix,
  moveBy,
  transform,
  uniteBoxes,
} from '../geometry/index.ts';
import {
  asCorrection,
  asField,
  asNote,
  asWords,
  type CorrectionMark,
  isArea,
  kindFor,
  type Mark,
} from '../kinds/index.ts';
import { mapQuad, type Print } from '../print/index.ts';
import { type EditionPage, EditionText, type PageFate } from './editionText.ts';
import type { CarryReason, PlacedMark, Verdict } from './placed.ts';
import { unitsOf } from './units.ts';
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

/** What a document's marks are to be carried over from and to. */
export interface Editions {
  readonly document: DocState;
  /** The pages of the earlier edition as they are in its file, with the ids of the document's pages that show them. */
  readonly was: readonly (EditionPage & { readonly ids: readonly string[] })[];
  readonly is: readonly EditionPage[];
  /** What pages without words have become, by their pictures; by their numbers in the earlier edition. */
  readonly byPicture: ReadonlyMap<number, PageFate>;
}

/** Where marks belong in another edition, and what has become of its pages. */
export interface CarriedOver {
  readonly placed: readonly PlacedMark[];
  readonly fates: readonly PageFate[];
}

/** Finds for every mark on pages of an edition where it belongs in another one: at its words, or beside what stands around it. Strokes that stand together stay so. */
export function carryOver(
  { document, was, is, byPicture }: Editions,
  text = new EditionText(was, is),
): CarriedOver {
  const fates = text.fates.map((fate, k) =>
    text.hasWords(k) && fate.to !== null ? fate : (byPicture.get(k) ?? fate),
  );
  const pageOf = new Map(was.flatMap(({ ids }, k) => ids.map((id) => [id, k] as const)));
  const rows = listRows(listMarks(document));
  const placed = unitsOf(rows).flatMap((marks, unit): PlacedMark[] => {
    const from = pageOf.get(marks[0].page);
    if (from === undefined) return [];
    return new Placing(text, fates, was[from].print, from, unit).place(marks);
  });
  return { placed, fates };
}

interface Place {
  readonly verdict: Verdict;
  readonly confidence: number;
  readonly reason: CarryReason;
  readonly page: number;
  readonly map: Matrix;
}

class Placing {
  private readonly fate: PageFate;

  constructor(
    private readonly text: EditionText,
    fates: readonly PageFate[],
    private readonly print: Print,
    private readonly from: number,
    private readonly unit: number,
  ) {
    this.fate = fates[from];
  }

  place(marks: readonly Mark[]): PlacedMark[] {
    const [first] = marks;
    if (asField(first)) return marks.map((mark) => this.lost(mark, 'field'));
    const correction = marks.length === 1 ? asCorrection(first) : null;
    if (correction) return [this.corrected(correction)];
    const meant = marks.map((mark) => this.meant(mark));
    // What a mark on words, or a note about some, is about is all there is to say of its place.
    if (marks.length === 1 && isOfWords(first)) return [this.onItsWords(first, meant[0])];
    const words = meant.flat();
    const place =
      (words.length > 0 ? this.withItsWords(marks, words) : null) ??
      this.besides(marks.map(boundsOf).reduce(uniteBoxes));
    if (!place)
      return marks.map((mark) => this.lost(mark, this.fate.to === null ? 'noPage' : 'gone'));
    return marks.map((mark) => this.carried(mark, place));
  }

  /** The words of the page, by their numbers, that a mark is about. */
  private meant(mark: Mark): number[] {
    const { words } = this.print;
    const note = asNote(mark);
    if (note) {
      const { print } = this;
      return print.words.flatMap(({ box }, k) =>
        note.quads.some((quad) => holds(quad, boxCentre(box))) ? [k] : [],
      );
    }
    const ranges = wordsKnown(mark, this.print);
    return words.flatMap(({ from, to }, k) =>
      ranges.some((range) => range.from < to && range.to > from) ? [k] : [],
    );
  }

  /** A line that was corrected is corrected where it says the same; where it does not, nobody knows whether it still is to be. */
  private corrected(mark: CorrectionMark): PlacedMark {
    const words = this.print.words.flatMap(({ box }, k) =>
      holds(mark.quad, boxCentre(box)) ? [k] : [],
    );
    const now = words.length > 0 ? wordsNow(this.text, this.from, words) : null;
    const moved = now?.reason === 'words' && movedAlike(this.text, this.from, words, ALIKE);
    if (!moved) return this.lost(mark, this.fate.to === null ? 'noPage' : 'gone');
    const map = moveBy(moved.by);
    const after = { ...mark, quad: mapQuad(mark.quad, map), at: transform(map, mark.at) };
    const place = { page: moved.page, map, confidence: 1, reason: 'words' } as const;
    return this.told(mark, { ...place, verdict: 'certain' }, after);
  }

  private onItsWords(mark: Mark, words: readonly number[]): PlacedMark {
    const now = words.length > 0 ? wordsNow(this.text, this.from, words) : null;
    const print = now && this.text.pageNow(now.page).print;
    const after = now && print && onWords(mark, print, now.range);
    if (!now || !after) return this.lost(mark, this.fate.to === null ? 'noPage' : 'gone');
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
    const around = surroundingsOf(
      this.text.words[this.from],
      this.fate,
      marks.map(boundsOf).reduce(uniteBoxes),
    );
    const isAsMap =
      now.page === this.fate.to &&
      this.fate.share >= HALF_PAGE &&
      words.every((word) => {
        const found = this.text.words[this.from][word]?.now;
        const box = this.text.words[this.from][word]?.box;
        return (
          found &&
          box &&
          found.page === now.page &&
          distance(transform(this.fate.map, boxCentre(box)), boxCentre(found.box)) <= ALIKE
        );
      });
    if (isAsMap)
      return {
        verdict: 'certain',
        confidence: now.share,
        reason: 'words',
        page: now.page,
        map: this.fate.map,
      };
    const moved = movedAlike(this.text, this.from, words, ALIKE);
    if (moved && now.reason === 'words')
      return {
        verdict: 'certain',
        confidence: now.share,
        reason: 'words',
        page: moved.page,
        map: moveBy(moved.by),
      };
    if (now.reason === 'reworded' && around && around.share >= LIKELY)
      return {
        verdict: 'likely',
        confidence: around.share,
        reason: 'reworded',
        page: around.page,
        map: around.map,
      };
    const reason = now.reason === 'words' ? 'reflowed' : 'reworded';
    return {
      verdict: 'likely',
      confidence: now.share / 2,
      reason,
      page: now.page,
      map: this.mapOf(words, now),
    };
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
    const around = surroundingsOf(this.text.words[this.from], fate, area);
    if (around) {
      const isPage = around.page === fate.to && around.map === fate.map;
      const sure = isSure(around) || (isPage && fate.share >= WHOLE_PAGE);
      if (around.share >= LIKELY || isPage)
        return {
          verdict: sure ? 'certain' : 'likely',
          confidence: around.share,
          reason: sure ? 'around' : 'changed',
          ...around,
        };
    }
    const line = besideLine(this.text.words[this.from], area);
    if (line && fate.share < HALF_PAGE)
      return { verdict: 'likely', confidence: LIKELY, reason: 'reflowed', ...line };
    if (fate.to === null) return null;
    const isSeen = fate.by === 'picture';
    const verdict = fate.share >= (isSeen ? SEEN : WHOLE_PAGE) ? 'certain' : 'likely';
    if (fate.share < LIKELY && fate.by === 'words') return null;
    const reason = fate.by === 'words' ? 'page' : 'picture';
    return { verdict, confidence: fate.share, reason, page: fate.to, map: fate.map };
  }

  private carried(mark: Mark, place: Place): PlacedMark {
    return this.told(mark, place, kindFor(mark).carry(mark, place.map, {}));
  }

  private told(
    mark: Mark,
    { verdict, confidence, reason, page, map }: Place,
    after: Mark,
  ): PlacedMark {
    const { from, unit } = this;
    return { mark: mark.id, unit, from, verdict, confidence, reason, page, map, after };
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

const holds = (
  quad: readonly { readonly x: number; readonly y: number }[],
  { x, y }: { readonly x: number; readonly y: number },
): boolean => {
  const xs = quad.map((p) => p.x);
  const ys = quad.map((p) => p.y);
  return (
    x >= Math.min(...xs) && x <= Math.max(...xs) && y >= Math.min(...ys) && y <= Math.max(...ys)
  );
};
