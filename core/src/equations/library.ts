import { liteAdaptor } from '@mathjax/src/js/adaptors/liteAdaptor.js';
import { RegisterHTMLHandler } from '@mathjax/src/js/handlers/html.js';
import { TeX } from '@mathjax/src/js/input/tex.js';
import type TexError from '@mathjax/src/js/input/tex/TexError.js';
import { mathjax } from '@mathjax/src/js/mathjax.js';
import { SVG } from '@mathjax/src/js/output/svg.js';
import { ARROWS_OF_REACTIONS, EQUATION_FACE } from './faces.ts';
import { PACKAGES } from './packages.ts';
import type { Reader } from './placeOf.ts';

/** What elements of the library's drawings are read with. */
export const adaptor = liteAdaptor();
RegisterHTMLHandler(adaptor);
// All parts of the face that are held are there from the beginning: nothing is fetched for what lacks.
mathjax.asyncIsSynchronous = true;
mathjax.asyncLoad = (): void => undefined;

export type LibraryElement = ReturnType<typeof adaptor.node>;

/** One for all: the parts of a face are made ready for the first that asks, and for no other. */
const output = new SVG({
  fontCache: 'none',
  fontData: EQUATION_FACE,
  displayOverflow: 'overflow',
  linebreaks: { inline: false },
});
output.addExtension(ARROWS_OF_REACTIONS);

/**
 * The SVG that the library makes of TeX, which is read anew for each: what one equation defines, no other knows.
 * @param refuse makes of what is wrong, and of how far was read, what is thrown
 */
export function drawnByLibrary(
  tex: string,
  isInline: boolean,
  refuse: (error: TexError, readers: readonly Reader[]) => Error,
): LibraryElement {
  const input = new TeX({
    packages: PACKAGES,
    formatError(
      { parseOptions }: { parseOptions: { parsers: readonly Reader[] } },
      error: TexError,
    ): never {
      throw refuse(error, parseOptions.parsers);
    },
  });
  const html = mathjax.document('', { InputJax: input, OutputJax: output });
  const container = html.convert(tex, { display: !isInline }) as LibraryElement;
  return adaptor.tags(container, 'svg')[0];
}
