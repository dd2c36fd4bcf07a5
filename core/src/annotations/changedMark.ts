import {
  type Box,
  boxCentre,
  boxHeight,
  boxWidth,
  distance,
  type Matrix,
  moveBy,
  subtract,
  thenMatrix,
} from '../geometry/index.ts';
import { asNote, asText, asWords, kindFor, type Mark } from '../kinds/index.ts';
import type { Annotation } from './annotation.ts';
import { levelsOf } from './colour.ts';
import { saysSame } from './saysSame.ts';
import { isSound } from './sound.ts';

/** Places that differ by less are the same: programs round, points. */
const SAME_PLACE = 0.5;
/** A note's sign is as large as each program likes: it has been moved where its middle lies farther off. */
const SIGN = 12;
/** Levels of colours, and opacities, that differ by less are the same, of 1. */
const SAME_LEVEL = 0.008;
const SAME_OPACITY = 0.01;

/** A mark as its annotation is by now; the same mark where nothing of that has been changed. */
export function changedMark(mark: Mark, sent: Annotation, found: Annotation): Mark {
  const after = [withLook, withText, withPlace].reduce(
    (now, change) => change(now, sent, found),
    mark,
  );
  return after === mark || isSound(after) ? after : mark;
}

function withLook(mark: Mark, sent: Annotation, found: Annotation): Mark {
  const { colour } = found;
  const isOther = colour !== null && sent.colour !== null && !isSameColour(colour, sent.colour);
  const isPaler = Math.abs(found.opacity - sent.opacity) > SAME_OPACITY;
  if (!isOther && !isPaler) return mark;
  return kindFor(mark).restyle(mark, {
    style: { ...(isOther ? { colour } : {}), ...(isPaler ? { opacity: found.opacity } : {}) },
  });
}

function isSameColour(a: string, b: string): boolean {
  const other = levelsOf(b);
  return levelsOf(a).every((level, k) => Math.abs(level - other[k]) <= SAME_LEVEL);
}

/** What a text box says. */
function withText(mark: Mark, sent: Annotation, found: Annotation): Mark {
  const text = asText(mark);
  if (!text || found.contents === '' || saysSame(found, sent)) return mark;
  const [{ style }] = text.block.spans;
  return { ...text, block: { ...text.block, spans: [{ text: found.contents, style }] } };
}

function withPlace(mark: Mark, sent: Annotation, found: Annotation): Mark {
  if (!sent.rect || !found.rect) return mark;
  const words = asWords(mark);
  if (words) {
    const quads = found.sketch && 'quads' in found.sketch ? found.sketch.quads : [];
    const corners = quads.flat();
    const own = words.strips.flatMap(({ quad }) => [...quad]);
    const isSame =
      corners.length === own.length &&
      corners.every((corner, k) => distance(corner, own[k]) <= SAME_PLACE);
    if (isSame || quads.length === 0) return mark;
    return { ...words, strips: quads.map((quad) => ({ quad, words: [] })), before: '', after: '' };
  }
  const note = asNote(mark);
  if (note) {
    const by = subtract(boxCentre(found.rect), boxCentre(sent.rect));
    const isFixed = note.quads.length > 0 || note.area !== undefined;
    return isFixed || Math.hypot(by.x, by.y) <= SIGN
      ? mark
      : kindFor(mark).carry(mark, moveBy(by), {});
  }
  const by = fit(sent.rect, found.rect);
  return by ? kindFor(mark).carry(mark, by, { widthFollows: false }) : mark;
}

/** What carries one rectangle onto another; null where they are the same. */
function fit(from: Box, to: Box): Matrix | null {
  const [w, h] = [boxWidth(to) - boxWidth(from), boxHeight(to) - boxHeight(from)];
  const [dx, dy] = [to.minX - from.minX, to.minY - from.minY];
  const isMoved = Math.max(Math.abs(dx), Math.abs(dy)) > SAME_PLACE;
  const isGrown = Math.max(Math.abs(w), Math.abs(h)) > SAME_PLACE;
  if (!isGrown) return isMoved ? moveBy({ x: dx, y: dy }) : null;
  if (boxWidth(from) <= 0 || boxHeight(from) <= 0) return null;
  const [sx, sy] = [boxWidth(to) / boxWidth(from), boxHeight(to) / boxHeight(from)];
  return thenMatrix(moveBy({ x: -from.minX, y: -from.minY }), [sx, 0, 0, sy, to.minX, to.minY]);
}
