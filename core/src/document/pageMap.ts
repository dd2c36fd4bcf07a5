import type { Mark } from '../kinds/index.ts';
import type { MarkId } from '../marks/index.ts';

/** Marks by id; null where a mark of the base is gone. */
export type Patch = ReadonlyMap<MarkId, Mark | null>;

const NO_PATCH: Patch = new Map();
/** A patch longer than this, and than this share of its base, becomes part of a new base. */
const LEAST = 256;
const SHARE = 0.25;

/**
 * A page's marks as a base that many states share and a small patch over it, so that a change does not copy thousands of
 * marks, and what was worked out for the base stays good. Never changed in place.
 */
export class PageMap implements ReadonlyMap<MarkId, Mark> {
  // Private to the engine too: a page map is not to be sent between threads, see `plainDocument`.
  readonly #base: ReadonlyMap<MarkId, Mark>;
  readonly #patch: Patch;
  readonly size: number;

  private constructor(base: ReadonlyMap<MarkId, Mark>, patch: Patch, size: number) {
    this.#base = base;
    this.#patch = patch;
    this.size = size;
  }

  /** A page's marks as base and patch; any other map is a base of its own. */
  static partsOf(marks: ReadonlyMap<MarkId, Mark>): {
    readonly base: ReadonlyMap<MarkId, Mark>;
    readonly patch: Patch;
  } {
    return marks instanceof PageMap
      ? { base: marks.#base, patch: marks.#patch }
      : { base: marks, patch: NO_PATCH };
  }

  /** `marks` with some of them changed; null where one goes. */
  static changed(marks: ReadonlyMap<MarkId, Mark>, changes: Patch): PageMap {
    const { base, patch: before } = PageMap.partsOf(marks);
    let { size } = marks;
    const patch = new Map(before);
    for (const [id, mark] of changes) {
      size += Number(mark !== null) - Number(marks.has(id));
      if (mark === null && !base.has(id)) patch.delete(id);
      else patch.set(id, mark);
    }
    const whole = new PageMap(base, patch, size);
    const isLong = patch.size > LEAST && patch.size > SHARE * base.size;
    return isLong ? new PageMap(new Map(whole), NO_PATCH, size) : whole;
  }

  get(id: MarkId): Mark | undefined {
    const changed = this.#patch.get(id);
    return changed === undefined ? this.#base.get(id) : (changed ?? undefined);
  }

  has(id: MarkId): boolean {
    return this.get(id) !== undefined;
  }

  *entries(): Generator<[MarkId, Mark], undefined> {
    for (const [id, mark] of this.#base) {
      const changed = this.#patch.get(id);
      if (changed === undefined) yield [id, mark];
      else if (changed !== null) yield [id, changed];
    }
    for (const [id, mark] of this.#patch)
      if (mark !== null && !this.#base.has(id)) yield [id, mark];
  }

  *keys(): Generator<MarkId, undefined> {
    for (const [id] of this.entries()) yield id;
  }

  *values(): Generator<Mark, undefined> {
    for (const [, mark] of this.entries()) yield mark;
  }

  [Symbol.iterator](): Generator<[MarkId, Mark], undefined> {
    return this.entries();
  }

  forEach(act: (mark: Mark, id: MarkId, marks: ReadonlyMap<MarkId, Mark>) => void): void {
    for (const [id, mark] of this.entries()) act(mark, id, this);
  }
}
