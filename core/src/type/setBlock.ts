import { faceOfStyle } from './chooseFaces.ts';
import type { Fonts } from './face.ts';
import { setSpans, type SetText } from './setSpans.ts';
import type { TextBlock } from './textBlock.ts';

/** A block in lines and glyphs; see {@link setSpans}. Every face that it needs must be loaded (`facesOfBlock`): what has none is left out. */
export const setBlock = (
  { spans, width, align, leading, indent = 0, cell = 0 }: TextBlock,
  fonts: Fonts,
): SetText =>
  setSpans(
    spans.map(({ text, style }) => ({ text, face: faceOfStyle(style), size: style.size })),
    { align, leading, indent, cell },
    width,
    fonts,
  );
