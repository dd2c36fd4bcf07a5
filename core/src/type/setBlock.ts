import { type EquationOutline, texIn } from '../equations/index.ts';
import { faceOfStyle } from './chooseFaces.ts';
import type { Fonts } from './face.ts';
import { hangOf } from './lists.ts';
import { setList } from './setList.ts';
import type { LetteredSpan } from './pieces.ts';
import { type SetLine, setSpans, type SetText } from './setSpans.ts';
import type { TextBlock } from './textBlock.ts';

/** A block as it is set. */
export interface SetBlock extends SetText {
  /** Its letters are smaller than they are meant by this, so that it fits; 1 where they need not be. */
  readonly scale: number;
}

/** Letters shrink no further, of their size; how near to the largest that fits is near enough. */
const SMALLEST = 0.1;
const NEAR = 0.01;

/** A block in lines and glyphs; see {@link setSpans}. Every face that it needs must be loaded (`facesOfBlock`): what has none is left out. */
export function setBlock(block: TextBlock, fonts: Fonts): SetBlock {
  const whole = setAt(block, 1, fonts);
  const { fit } = block;
  if (fit === undefined) return { ...whole, scale: 1 };
  if (whole.height <= fit) return { ...whole, height: fit, scale: 1 };
  let [small, large] = [SMALLEST, 1];
  let set = setAt(block, small, fonts);
  while (large - small > NEAR) {
    const scale = (small + large) / 2;
    const now = setAt(block, scale, fonts);
    if (now.height <= fit) [small, set] = [scale, now];
    else large = scale;
  }
  return { ...set, height: fit, scale: small };
}

function setAt(block: TextBlock, scale: number, fonts: Fonts): SetText {
  const { width, align, leading, indent = 0, cell = 0, list } = block;
  const { lettered, numbers } = letteredSpans(block, scale);
  const style = { align, leading, indent: list ? 0 : indent, cell };
  const set = list
    ? setList(lettered, style, { list, hang: hangOf(block) * scale }, width, fonts)
    : setSpans(lettered, style, width, fonts);
  return numbers ? { ...set, lines: set.lines.map((line) => renumbered(line, numbers)) } : set;
}

interface LetteredSpans {
  readonly lettered: readonly LetteredSpan[];
  /** Of each the span of the block that it is of; null where they are the same. */
  readonly numbers: readonly number[] | null;
}

/** The spans of a block with their faces; each of its equations is one by itself. Letters in cells are no equations. */
function letteredSpans({ spans, cell, equations = [] }: TextBlock, scale: number): LetteredSpans {
  const whole = spans.map(({ text, style }) => ({
    text,
    face: faceOfStyle(style),
    size: style.size * scale,
  }));
  if (equations.length === 0 || cell) return { lettered: whole, numbers: null };
  const outlines = new Map(equations.map(({ tex, outline }) => [tex, outline]));
  const lettered: LetteredSpan[] = [];
  const numbers: number[] = [];
  whole.forEach((span, k) => {
    const add = (text: string, equation?: EquationOutline): void => {
      if (text === '' && span.text !== '') return;
      lettered.push({ ...span, text, ...(equation ? { equation } : {}) });
      numbers.push(k);
    };
    let at = 0;
    for (const { from, to, tex } of texIn(span.text)) {
      const equation = outlines.get(tex);
      if (!equation) continue;
      add(span.text.slice(at, from));
      add(span.text.slice(from, to), equation);
      at = to;
    }
    add(span.text.slice(at));
  });
  return { lettered, numbers };
}

const renumbered = (line: SetLine, numbers: readonly number[]): SetLine => ({
  ...line,
  runs: line.runs.map((run) => ({ ...run, span: numbers[run.span] })),
});
