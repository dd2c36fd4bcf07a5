import {
  type Attachment,
  type DocState,
  findMark,
  markChange,
  nextOrder,
  type Transaction,
} from '../document/index.ts';
import { type Box, boxHeight, boxWidth, type Matrix, thenMatrix } from '../geometry/index.ts';
import { cutGraphic, type Graphic } from '../graphics/index.ts';
import { asPicture, type GraphicMark, type PictureMark } from '../kinds/index.ts';
import { LONGEST_SAID, type MarkId, type PageId } from '../marks/index.ts';
import { missingAttachments } from './missingAttachments.ts';

interface NewPlaced {
  readonly id: MarkId;
  readonly page: PageId;
  /** Carries the unit square (0,0)–(1,1), y up, to where it is to lie in user space. */
  readonly place: Matrix;
  /** What is to be seen on it; empty where nobody has said so. */
  readonly says: string;
  /** Milliseconds since 1970. */
  readonly madeAt: number;
  /** Nobody when left out or empty. */
  readonly author?: string;
}

export interface NewPicture extends NewPlaced {
  /** Called by the SHA-256 of its bytes. */
  readonly picture: Attachment;
}

export interface NewGraphic extends NewPlaced {
  readonly graphic: Graphic;
}

/** What has no line has this one. */
const PLAIN = { colour: '#1b1b1d', width: 1, opacity: 1 } as const;

/** Puts a picture on a page, above everything there; its bytes are kept once. */
export function putPicture(state: DocState, asked: NewPicture): Transaction {
  const { id, page, picture, place, says, madeAt, author } = asked;
  const mark: PictureMark = {
    ...{ kind: 'picture', id, page, place, says, madeAt },
    ...(author ? { author } : {}),
    order: nextOrder(state, page),
    style: PLAIN,
    source: picture.id,
  };
  return {
    label: 'Put a picture',
    changes: [...missingAttachments(state, [picture]), markChange(null, mark)],
  };
}

/** Puts a drawing made of outlines on a page, above everything there. */
export function putGraphic(state: DocState, asked: NewGraphic): Transaction {
  const { id, page, graphic, place, says, madeAt, author } = asked;
  const mark: GraphicMark = {
    ...{ kind: 'graphic', id, page, graphic, place, madeAt },
    // What a file calls itself may be of any length.
    says: says.slice(0, LONGEST_SAID),
    ...(author ? { author } : {}),
    order: nextOrder(state, page),
    style: PLAIN,
  };
  return { label: 'Put a graphic', changes: [markChange(null, mark)] };
}

/** Says what is to be seen on a picture; null where that is said already. */
export const describePicture = (
  mark: PictureMark | GraphicMark,
  says: string,
): Transaction | null =>
  says === mark.says
    ? null
    : { label: 'Describe a picture', changes: [markChange(mark, { ...mark, says })] };

/** A picture that shows another, in its place; null where it is not there any more, or shows something else by now. */
export function swapPicture(
  state: DocState,
  { id, source }: Pick<PictureMark, 'id' | 'source'>,
  picture: Attachment,
  label: string,
): Transaction | null {
  const mark = asPicture(findMark(state, id));
  if (mark?.source !== source || picture.id === source) return null;
  const after = { ...mark, source: picture.id };
  return {
    label,
    changes: [...missingAttachments(state, [picture]), markChange(mark, after)],
  };
}

/**
 * A picture cut down to a part of it, which stays where it lies; null where it is not there any more, or shows something else by now.
 * @param part in shares of its sides, from its upper left corner
 * @param picture that part by itself
 */
export function cropPicture(
  state: DocState,
  { id, source }: Pick<PictureMark, 'id' | 'source'>,
  part: Box,
  picture: Attachment,
): Transaction | null {
  const mark = asPicture(findMark(state, id));
  if (mark?.source !== source) return null;
  const after = { ...mark, source: picture.id, place: placeOfPart(mark.place, part) };
  return {
    label: 'Crop a picture',
    changes: [...missingAttachments(state, [picture]), markChange(mark, after)],
  };
}

/** Where a part of a picture lies. */
const placeOfPart = (place: Matrix, part: Box): Matrix =>
  thenMatrix([boxWidth(part), 0, 0, boxHeight(part), part.minX, 1 - part.maxY], place);

/**
 * A graphic cut down to a part of it, which stays where it lies; null where nothing lies there.
 * @param part in shares of its sides, from its upper left corner
 */
export function cropGraphic(mark: GraphicMark, part: Box): Transaction | null {
  const up = { ...part, minY: 1 - part.maxY, maxY: 1 - part.minY };
  const graphic = cutGraphic(mark.graphic, up);
  if (graphic.length === 0) return null;
  const after = { ...mark, graphic, place: placeOfPart(mark.place, part) };
  return { label: 'Crop a graphic', changes: [markChange(mark, after)] };
}
