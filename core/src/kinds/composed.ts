import { array, object, type Schema } from 'yup';
import type { Drawing } from '../drawing/index.ts';
import { type Box, boxCorners, EMPTY_BOX, uniteBoxes, type Vec } from '../geometry/index.ts';
import {
  type MarkBase,
  type MarkRecord,
  MarkRecordError,
  markShape,
  type MarkStyle,
  widened,
} from '../marks/index.ts';
import type { Kind, MarkWords } from './kind.ts';

/** Several marks that are one: moved and removed as one. */
export interface ComposedMark extends MarkBase {
  /** Of any kind that is not made of others, in user space, from the lowest to the topmost. */
  readonly parts: readonly MarkBase[];
}

/** Marks that one may be made of. */
const MOST_PARTS = 500;

const partsShape = array(object().required()).strict().required().min(1).max(MOST_PARTS);

/** What one kind of several marks that are one has of its own. */
export interface Composition<M extends ComposedMark> {
  readonly name: M['kind'];
  readonly sorts: Kind<M>['sorts'];
  /** What is stored of it beside its parts; nothing without. */
  readonly more?: Readonly<Record<string, Schema>>;
  /** What it is called, and what it says; `text` is what its parts say. */
  words(mark: M, text: string): MarkWords;
}

/**
 * A kind whose parts are marks of others.
 * @param others every kind that is not made of others, by its name
 */
export function composedKind<M extends ComposedMark>(
  others: Readonly<Record<string, unknown>>,
  { name: own, sorts, more = {}, words }: Composition<M>,
): Kind<M> {
  const shape = object({ ...markShape, ...more, parts: partsShape });
  const kindOf = (name: string): Kind<MarkBase> => {
    if (!Object.hasOwn(others, name))
      throw new MarkRecordError(`A ${own} cannot be made of the kind "${name}".`);
    return others[name] as Kind<MarkBase>;
  };
  const of = (part: MarkBase): Kind<MarkBase> => kindOf(part.kind);
  const bounds = ({ parts }: ComposedMark): Box =>
    parts
      .map((part) => (of(part).bounds ?? of(part).roughBounds)(part))
      .reduce(uniteBoxes, EMPTY_BOX);
  const around = (mark: ComposedMark): readonly Vec[] => boxCorners(bounds(mark));
  return {
    name: own,
    sorts,
    toRecord: (mark): MarkRecord => ({
      ...(mark as MarkBase),
      ...{ parts: mark.parts.map((part) => of(part).toRecord(part)) },
    }),
    fromRecord(record) {
      const { parts, ...base } = shape.validateSync(record, { strict: true });
      const made = parts.map((part) =>
        kindOf(String((part as { kind?: unknown }).kind)).fromRecord(part),
      );
      return { ...base, kind: own, parts: made } as unknown as M;
    },
    plane: () => 'over',
    draw({ parts, style }): Drawing {
      const items = parts.flatMap((part) => of(part).draw(part));
      return style.opacity === 1 ? items : [{ is: 'group', items, opacity: style.opacity }];
    },
    bounds,
    roughBounds: bounds,
    areas: (mark) => [around(mark)],
    edge: around,
    // Ink on it is rubbed out every now and then; what lies beneath is to stay.
    unrubbed: true,
    // It grows as a whole: its lines and letters with it.
    carry: (mark, by) => ({
      ...mark,
      style: widened(mark.style, by),
      parts: mark.parts.map((part) => of(part).carry(part, by, { widthFollows: true })),
    }),
    mapParts: (mark, change) => ({ ...mark, parts: mark.parts.map(change) }),
    look: ({ style }) => ({ style }),
    restyle: (mark, { style = {} }) => ({
      ...mark,
      style: { ...mark.style, ...style },
      parts: mark.parts.map((part) =>
        of(part).restyle(part, { style: shared(part.style, mark.style, style) }),
      ),
    }),
    words: (mark) => words(mark, textOf(mark)),
    annotation: (mark) => ({ subtype: 'Stamp', says: words(mark, textOf(mark)).text }),
    attachments: ({ parts }) => parts.flatMap((part) => of(part).attachments?.(part) ?? []),
  };

  function textOf({ parts }: ComposedMark): string {
    return parts
      .map((part) => of(part).words(part).text)
      .filter(Boolean)
      .join(' ');
  }
}

/** What is as the whole is follows it; what stands out stays. How strongly it is seen is that of the whole. */
const shared = (
  own: MarkStyle,
  before: MarkStyle,
  { colour, width }: Partial<MarkStyle>,
): Partial<MarkStyle> => ({
  ...(colour !== undefined && own.colour === before.colour ? { colour } : {}),
  ...(width !== undefined && own.width === before.width ? { width } : {}),
});
