import { faceOfStyle } from './chooseFaces.ts';
import type { Fonts } from './face.ts';
import { hangOf } from './lists.ts';
import { setList } from './setList.ts';
import { setSpans, type SetText } from './setSpans.ts';
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
  const { spans, width, align, leading, indent = 0, cell = 0, list } = block;
  const lettered = spans.map(({ text, style }) => ({
    text,
    face: faceOfStyle(style),
    size: style.size * scale,
  }));
  const style = { align, leading, indent: list ? 0 : indent, cell };
  return list
    ? setList(lettered, style, { list, hang: hangOf(block) * scale }, width, fonts)
    : setSpans(lettered, style, width, fonts);
}
