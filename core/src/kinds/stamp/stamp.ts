import { array, object } from 'yup';
import type { Drawing } from '../../drawing/index.ts';
import { type Box, boxCorners, EMPTY_BOX, uniteBoxes, type Vec } from '../../geometry/index.ts';
import {
  type MarkBase,
  MarkRecordError,
  markShape,
  type MarkStyle,
  widened,
} from '../../marks/index.ts';
import type { Kind } from '../kind.ts';
import type { StampMark } from './mark.ts';

/** Marks that one stamp may be made of. */
const MOST_PARTS = 500;

const shape = object({
  ...markShape,
  parts: array(object().required()).strict().required().min(1).max(MOST_PARTS),
});

/**
 * The kind of stamps, whose parts are marks of others.
 * @param others every other kind, by its name
 */
export function stampKind(others: Readonly<Record<string, unknown>>): Kind<StampMark> {
  const kindOf = (name: string): Kind<MarkBase> => {
    if (!Object.hasOwn(others, name))
      throw new MarkRecordError(`A stamp cannot be made of the kind "${name}".`);
    return others[name] as Kind<MarkBase>;
  };
  const of = (part: MarkBase): Kind<MarkBase> => kindOf(part.kind);
  const bounds = ({ parts }: StampMark): Box =>
    parts
      .map((part) => (of(part).bounds ?? of(part).roughBounds)(part))
      .reduce(uniteBoxes, EMPTY_BOX);
  const around = (mark: StampMark): readonly Vec[] => boxCorners(bounds(mark));
  return {
    name: 'stamp',
    sorts: { stamp: 'Stamps' },
    toRecord: (mark) => ({ ...mark, parts: mark.parts.map((part) => of(part).toRecord(part)) }),
    fromRecord(record) {
      const { parts, ...base } = shape.validateSync(record, { strict: true });
      const made = parts.map((part) =>
        kindOf(String((part as { kind?: unknown }).kind)).fromRecord(part),
      );
      return { ...base, kind: 'stamp', parts: made } as StampMark;
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
    // Ink on it is rubbed out every now and then; the stamp is to stay.
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
    words: (mark) => ({ name: 'Stamp', text: textOf(mark), sort: 'stamp' }),
    annotation: (mark) => ({ subtype: 'Stamp', says: textOf(mark) }),
    attachments: ({ parts }) => parts.flatMap((part) => of(part).attachments?.(part) ?? []),
  };

  function textOf({ parts }: StampMark): string {
    return parts
      .map((part) => of(part).words(part).text)
      .filter(Boolean)
      .join(' ');
  }
}

/** What is as the whole stamp is follows it; what stands out stays. How strongly it is seen is that of the whole. */
const shared = (
  own: MarkStyle,
  before: MarkStyle,
  { colour, width }: Partial<MarkStyle>,
): Partial<MarkStyle> => ({
  ...(colour !== undefined && own.colour === before.colour ? { colour } : {}),
  ...(width !== undefined && own.width === before.width ? { width } : {}),
});
