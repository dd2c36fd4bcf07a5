import type { LetterStyle } from '@marginalis/core/type';

/** A part of a text, and what it is emphasized by. */
export interface Emphasized {
  readonly from: number;
  readonly to: number;
  readonly by: Partial<Pick<LetterStyle, 'bold' | 'italic' | 'underline'>>;
}

/** Longer pieces of a page, in characters, are pasted without emphasis. */
const LONGEST = 500_000;
/** What other programs put into the plain text only, such as bullets, is no longer. */
const MOST_BETWEEN = 40;
const BOLD = /^(bold|bolder|[6-9]00)$/;
/** Of these nothing is shown. */
const UNSHOWN = new Set(['SCRIPT', 'STYLE', 'TEMPLATE', 'HEAD', 'NOSCRIPT', 'TITLE']);

type By = Emphasized['by'];

/**
 * What of a pasted text is bold, slanted or underlined, by the piece of a page that came with it. The plain text is what counts: the piece is only
 * read, as text, and nothing of it is run or fetched.
 */
export function pastedEmphasis(text: string, html: string): Emphasized[] {
  if (html === '' || html.length > LONGEST) return [];
  const { body } = new DOMParser().parseFromString(html, 'text/html');
  const found: Emphasized[] = [];
  let at = 0;
  const take = (said: string, by: By): boolean => {
    for (const sign of said.replace(/\s+/g, '')) {
      const place = text.indexOf(sign, at);
      if (place < 0 || place - at > MOST_BETWEEN) return false;
      mark(found, place, place + sign.length, by);
      at = place + sign.length;
    }
    return true;
  };
  const walk = (node: Node, by: By): boolean => {
    if (node.nodeType === Node.TEXT_NODE) return take(node.textContent ?? '', by);
    if (!(node instanceof HTMLElement) || UNSHOWN.has(node.tagName)) return true;
    const own = { ...by, ...emphasisOf(node) };
    return [...node.childNodes].every((child) => walk(child, own));
  };
  return walk(body, {}) ? found : [];
}

/** Adds a character, to what stands before it where that is emphasized alike and only spaces are between. */
function mark(found: Emphasized[], from: number, to: number, by: By): void {
  if (!by.bold && !by.italic && !by.underline) return;
  const last = found[found.length - 1];
  const isAlike =
    last &&
    last.by.bold === by.bold &&
    last.by.italic === by.italic &&
    last.by.underline === by.underline;
  if (isAlike && from - last.to <= 1) found[found.length - 1] = { ...last, to };
  else found.push({ from, to, by });
}

function emphasisOf({ tagName, style }: HTMLElement): By {
  const by: { -readonly [K in keyof By]: By[K] } = {};
  if (/^(B|STRONG|TH|H[1-6])$/.test(tagName)) by.bold = true;
  if (/^(I|EM|CITE|VAR)$/.test(tagName)) by.italic = true;
  if (/^(U|INS)$/.test(tagName)) by.underline = true;
  if (style.fontWeight) by.bold = BOLD.test(style.fontWeight);
  if (style.fontStyle) by.italic = style.fontStyle === 'italic';
  if (style.textDecorationLine || style.textDecoration)
    by.underline = `${style.textDecorationLine} ${style.textDecoration}`.includes('underline');
  return by;
}
