import type { ComponentProps } from 'react';

/*
 * Elements of an SVG for what every screen draws: icons, marks in hand. They are the browser's own, since the library that charts are drawn with would be an eighth of
 * all that the first script brings beside the stack.
 */

/** An SVG; a block, so that no line of text is kept beneath it. */
export const Svg = ({ style, ...props }: ComponentProps<'svg'>) => (
  <svg {...props} style={{ display: 'block', ...style }} />
);
export const Path = (props: ComponentProps<'path'>) => <path {...props} />;
export const Polygon = (props: ComponentProps<'polygon'>) => <polygon {...props} />;
export const G = (props: ComponentProps<'g'>) => <g {...props} />;
export const Image = (props: ComponentProps<'image'>) => <image {...props} />;
export const Defs = (props: ComponentProps<'defs'>) => <defs {...props} />;
export const ClipPath = (props: ComponentProps<'clipPath'>) => <clipPath {...props} />;
