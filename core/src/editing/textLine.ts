import type { Vec } from '../geometry/index.ts';
import type { TextMark } from '../kinds/index.ts';
import type { MarkId, PageId } from '../marks/index.ts';
import type { TextBlock } from '../type/index.ts';

/** From baseline to baseline, of the size. */
const LEADING = 1.25;
const INK = '#1b1b1d';

export interface TextLine {
  readonly id: MarkId;
  readonly page: PageId;
  readonly order: number;
  readonly text: string;
  /** Points. */
  readonly size: number;
  readonly bold?: boolean;
  /** The upper left corner, in user space, and the direction it runs in, anticlockwise, radians. */
  readonly at: Vec;
  readonly angle?: number;
  readonly width: number;
  readonly align: TextBlock['align'];
  /** Milliseconds since 1970. */
  readonly madeAt: number;
  readonly author?: string;
}

/** Height of a line of so large letters, points. */
export const lineHeight = (size: number): number => LEADING * size;

/** A line of text as print has it: black, with serifs; what is too long is set smaller. */
export function textLine(line: TextLine): TextMark {
  const { id, page, order, text, size, bold = false, at, angle = 0, width, align } = line;
  const height = lineHeight(size);
  return {
    ...{ kind: 'text', id, page, order, at, angle, height },
    style: { colour: INK, width: 1, opacity: 1 },
    madeAt: line.madeAt,
    ...(line.author ? { author: line.author } : {}),
    block: {
      spans: [
        {
          text,
          style: {
            ...{ family: 'serif', size, bold, colour: INK },
            ...{ italic: false, underline: false },
          },
        },
      ],
      ...{ width, align, leading: LEADING, fit: height },
    },
    ...{ padding: 0, background: null, border: 0 },
  };
}
