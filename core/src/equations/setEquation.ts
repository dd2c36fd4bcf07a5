import type TexError from '@mathjax/src/js/input/tex/TexError.js';
import { adaptor, drawnByLibrary, type LibraryElement } from './library.ts';
import type { EquationOutline } from './outline.ts';
import { LONGEST_TEX } from './outlineShape.ts';
import { placeOf, type Reader, whereOpened } from './placeOf.ts';
import { PROBLEMS } from './problems.ts';
import { EquationRefusal, type TexPlace } from './refusal.ts';
import { outlineOfSvg, type SvgElement } from './svgOutline.ts';

/**
 * Sets an equation.
 * @param isInline it stands in a line of text: what it is made of is kept low
 * @throws EquationRefusal where it cannot be set
 */
export function setEquation(tex: string, isInline = false): EquationOutline {
  if (tex.trim() === '') throw new EquationRefusal('There is nothing to set yet.');
  if (tex.length > LONGEST_TEX)
    throw new EquationRefusal('This equation is too long. Make several of it.');
  try {
    const refuse = (error: TexError, readers: readonly Reader[]): EquationRefusal =>
      refusalOf(tex, error, readers);
    return outlineOfSvg(elementOf(drawnByLibrary(tex, isInline, refuse)));
  } catch (e) {
    if (e instanceof RangeError)
      throw new EquationRefusal('This equation is nested too deeply to be set.');
    throw e instanceof EquationRefusal && !e.place ? e.at(quotedIn(tex, e.message)) : e;
  }
}

/** Where stands what a sentence quotes; null where it is nowhere, or in several places. */
function quotedIn(tex: string, sentence: string): TexPlace | null {
  const quoted = /“(.+)”/su.exec(sentence)?.[1] ?? '';
  const from = quoted === '' ? -1 : tex.indexOf(quoted);
  return from < 0 || from !== tex.lastIndexOf(quoted) ? null : { from, to: from + quoted.length };
}

const elementOf = (node: LibraryElement): SvgElement => ({
  kind: adaptor.kind(node),
  attributes: Object.fromEntries(
    adaptor.allAttributes(node).map(({ name, value }) => [name, value]),
  ),
  children: adaptor
    .childNodes(node)
    .filter((child): child is LibraryElement => !adaptor.kind(child).startsWith('#'))
    .map(elementOf),
  text: adaptor.textContent(node),
});

function refusalOf(
  tex: string,
  { id, message }: TexError,
  readers: readonly Reader[],
): EquationRefusal {
  const named = /'(.+?)'|\\end\{(.+?)\}|(\\(?:[a-zA-Z]+|.)|&)/su.exec(message);
  const name = named?.slice(1).find((part) => part !== undefined) ?? '';
  const sentence = PROBLEMS[id]?.replace('%', name) ?? `${message}.`;
  return new EquationRefusal(sentence, whereOpened(id, tex) ?? placeOf(tex, readers));
}
