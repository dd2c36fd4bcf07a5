import type { Span } from '@marginalis/core/type';

const ENTITIES: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;' };
const escaped = (text: string): string =>
  text.replace(/[&<>]/g, (sign) => ENTITIES[sign]).replaceAll('\n', '<br>');

/** Spans as a piece of a page that other programs paste: with their emphasis, and nothing else of their look. */
export const copiedHtml = (spans: readonly Span[]): string =>
  spans
    .map(({ text, style }) => {
      let html = escaped(text);
      if (style.underline) html = `<u>${html}</u>`;
      if (style.italic) html = `<i>${html}</i>`;
      return style.bold ? `<b>${html}</b>` : html;
    })
    .join('');
