import colorString from 'color-string';
import { EquationRefusal } from './refusal.ts';

/** Said where the ink of whoever draws is meant. */
const OWN = new Set([undefined, '', 'currentColor', 'none']);

/**
 * A colour of CSS as `#rrggbb`; null where it is the ink of the whole.
 * @throws EquationRefusal where there is no such colour
 */
export function colourOf(said: string | undefined): string | null {
  if (said === undefined || OWN.has(said)) return null;
  const rgb = colorString.get.rgb(said) ?? colorString.get.rgb(said.toLowerCase());
  if (!rgb) throw new EquationRefusal(`There is no colour called “${said}”.`);
  return colorString.to.hex(rgb.slice(0, 3)).toLowerCase();
}
