import type { Box } from '../geometry/index.ts';
import type { PrintedRule } from './rulesIn.ts';

/** What of a page a writing window shows, points from the page's upper left corner as seen, y down. */
export interface WindowOnPage {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

/** The line one writes on. */
export interface WritingLine {
  /** Where it begins, and where it ends. */
  readonly from: number;
  readonly to: number;
  /** To the next line. */
  readonly pitch: number;
}

/** The window moves on when the hand has come so far along it … */
const NEAR_END = 0.72;
/** … and shows this share of itself of what was just written, so that the eye keeps its place. */
const KEPT = 0.3;
/** Nearer than this to the end of a line no further word has room, points. */
const NO_ROOM = 24;
/** Writing is so many of its own heights from line to line where nothing else says so; a line is no narrower, points. */
const OWN_PITCH = 2.1;
const LEAST_PITCH = 14;
/** Where no rule is printed a line ends so far before the page does, in shares of its width. */
const MARGIN = 0.08;
/** Writing stands on a rule when its foot is no farther from it, in shares of its height. */
const ON = 0.8;

/** Where the window goes once something has been written in it: on along the line, to the next one, or nowhere (null). */
export function nextPlace(
  window: WindowOnPage,
  written: Box,
  line: WritingLine,
): Pick<WindowOnPage, 'left' | 'top'> | null {
  if (written.maxX < window.left + NEAR_END * window.width) return null;
  if (written.maxX < line.to - NO_ROOM)
    return { left: written.maxX - KEPT * window.width, top: window.top };
  return { left: line.from, top: window.top + line.pitch };
}

/**
 * The line that writing stands on: a printed rule with the next one below it; else from where it began to the page's margin,
 * as far from the next as the lines written before are from each other, or as its height asks for.
 * @param lines the boxes of the lines written so far on the page, this one included
 */
export function lineOf(
  written: Box,
  began: number,
  pageWidth: number,
  rules: readonly PrintedRule[],
  lines: readonly Box[],
): WritingLine {
  const height = written.maxY - written.minY;
  const distance = ({ y }: PrintedRule): number => Math.abs(y - written.maxY);
  const meets = ({ from, to }: PrintedRule): boolean => from < written.maxX && to > written.minX;
  const [rule] = rules
    .filter((r) => meets(r) && distance(r) < Math.max(ON * height, LEAST_PITCH / 2))
    .sort((a, b) => distance(a) - distance(b));
  const next = rule && rules.find((r) => r.y > rule.y + LEAST_PITCH / 2 && meets(r));
  const pitch = next ? next.y - rule.y : pitchOf(written, height, lines);
  const middle = (written.minY + written.maxY) / 2;
  const own = lines.find(
    (line) =>
      line.minY < middle &&
      line.maxY > middle &&
      line.minX <= written.minX &&
      line.maxX >= written.maxX,
  );
  return {
    from: Math.min(began, rule?.from ?? Infinity, own?.minX ?? Infinity),
    to: rule ? rule.to : pageWidth * (1 - MARGIN),
    pitch,
  };
}

function pitchOf(written: Box, height: number, lines: readonly Box[]): number {
  const middle = ({ minY, maxY }: Box): number => (minY + maxY) / 2;
  const here = middle(written);
  const above = lines
    .map(middle)
    .filter((y) => here - y > LEAST_PITCH / 2)
    .sort((a, b) => b - a)[0];
  const own = Math.max(LEAST_PITCH, OWN_PITCH * height);
  // A line far above is another paragraph's.
  return above !== undefined && here - above < 2.5 * own ? here - above : own;
}
