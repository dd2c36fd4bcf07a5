import { array, number, object, string } from 'yup';
import {
  type Attachment,
  attachmentsOfMark,
  type DocState,
  fromPartRecord,
  nextOrder,
  pageBoxShape,
  type Page,
  PartRecordError,
  type Transaction,
  markChange,
} from '../document/index.ts';
import { boxCentre, moveBy, type Vec, type PageBox } from '../geometry/index.ts';
import { changeThroughout, fromMarkRecord, type Mark, toMarkRecord } from '../kinds/index.ts';
import { type MarkId, MarkRecordError, type PageId, without } from '../marks/index.ts';
import { missingAttachments } from './missingAttachments.ts';
import { boundsOfAll, carryMark, movable, pageMap } from './carry.ts';

/** Marks copied from a page, with the page as it lay, so that they can be pasted upright anywhere. */
export interface Clip {
  readonly page: PageBox & { readonly id: PageId };
  readonly marks: readonly Mark[];
  /** What they show. */
  readonly attachments: readonly Attachment[];
}

/** Marks like these, unlocked, with ids of their own, their groups' and parts' too. */
export function renewedMarks(marks: readonly Mark[], newId: () => MarkId): Mark[] {
  const groups = new Map<string, string>();
  return marks.map((mark) => {
    const { group } = mark;
    if (group && !groups.has(group)) groups.set(group, newId());
    const renewed = changeThroughout(mark, (one) => ({ ...one, id: newId() }));
    return {
      ...without(renewed, 'locked'),
      ...(group ? { group: groups.get(group) } : {}),
    };
  });
}

/** Marks of one page as they are; null when none of the ids is there. */
export function copyMarks(state: DocState, ids: Iterable<MarkId>): Clip | null {
  const marks = movable(state, ids);
  const page = state.pages.find(({ id }) => id === marks[0]?.page);
  if (!page) return null;
  const copied = marks.filter((mark) => mark.page === page.id);
  return { page, marks: copied, attachments: attachmentsOf(state, copied) };
}

/** The attachments of a document that marks show, each once. */
const attachmentsOf = ({ attachments }: DocState, marks: readonly Mark[]): Attachment[] =>
  [...new Set(marks.flatMap(attachmentsOfMark))].flatMap((id) => attachments.get(id) ?? []);

/** Copies of marks, `by` points beside them. */
export function duplicateMarks(
  state: DocState,
  ids: Iterable<MarkId>,
  by: Vec,
  newId: () => MarkId,
): Transaction | null {
  const marks = movable(state, ids);
  if (marks.length === 0) return null;
  const orders = new Map<PageId, number>();
  const changes = renewedMarks(marks, newId).map((mark) => {
    const order = orders.get(mark.page) ?? nextOrder(state, mark.page);
    orders.set(mark.page, order + 1);
    return markChange(null, { ...carryMark(mark, moveBy(by)), order });
  });
  return { label: marks.length === 1 ? 'Duplicate' : `Duplicate ${marks.length} marks`, changes };
}

/**
 * Puts copied marks on a page, upright as they were seen, with their middle at `at`, but never off the page; null when
 * there is no such page.
 */
export function pasteMarks(
  state: DocState,
  clip: Clip,
  page: PageId,
  at: Vec,
  newId: () => MarkId,
): Transaction | null {
  const to = state.pages.find(({ id }) => id === page);
  if (!to || clip.marks.length === 0) return null;
  const middle = boxCentre(boundsOfAll(clip.marks));
  const matrix = pageMap(clip.page, to, middle, onPage(to, at));
  let order = nextOrder(state, page);
  const pasted = renewedMarks(clip.marks, newId).map((mark) =>
    markChange(null, { ...carryMark(mark, matrix), page, order: order++ }),
  );
  const changes = [...missingAttachments(state, clip.attachments), ...pasted];
  return { label: clip.marks.length === 1 ? 'Paste' : `Paste ${clip.marks.length} marks`, changes };
}

/** The place on a page nearest to `at`. */
function onPage({ box: { minX, minY, maxX, maxY } }: Page, { x, y }: Vec): Vec {
  return { x: Math.min(maxX, Math.max(minX, x)), y: Math.min(maxY, Math.max(minY, y)) };
}

const clipShape = object({
  marginalis: number().strict().oneOf([1]).required(),
  page: object({ id: string().strict().required().max(100) })
    .concat(pageBoxShape)
    .required(),
  marks: array().min(1).max(20_000).required(),
  attachments: array().max(20_000),
});

/** Thrown when what is pasted is no clip of marks. */
export class ClipError extends Error {
  override readonly name = 'ClipError';
}

export const writeClip = ({ page, marks, attachments }: Clip): string =>
  JSON.stringify({ marginalis: 1, page, marks: marks.map(toMarkRecord), attachments });

/** @throws ClipError */
export function readClip(text: string): Clip {
  try {
    const {
      page,
      marks,
      attachments = [],
    } = clipShape.validateSync(JSON.parse(text), { strict: true });
    return {
      page: page as Clip['page'],
      marks: (marks as unknown[]).map(fromMarkRecord),
      attachments: (attachments as unknown[]).map((one) => fromPartRecord('attachment', one)),
    };
  } catch (e) {
    if (
      e instanceof MarkRecordError ||
      e instanceof PartRecordError ||
      e instanceof SyntaxError ||
      (e as Error).name === 'ValidationError'
    )
      throw new ClipError(`What was copied cannot be read: ${(e as Error).message}`);
    throw e;
  }
}
