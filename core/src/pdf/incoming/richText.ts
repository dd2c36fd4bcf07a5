/** Characters that are looked through for a style; more has been made to harm. */
const LONGEST = 2000;

/** How the first of rich text (RC, ISO 32000-1 §12.7.3.4) is styled; empty where it is not. */
export const styleOfRich = (rich: string): string =>
  /style\s*=\s*["']([^"']*)["']/.exec(rich.slice(0, LONGEST))?.[1] ?? '';

/** Rich text without what styles it. */
export const plainRich = (rich: string): string =>
  rich
    .replace(/<(?:\/p|br\s*\/?)>/gi, '\n')
    .replace(/<[^>]*>/g, '')
    .replace(/&(?:lt|gt|amp|quot|apos|#39|#13);/g, (entity) => ENTITIES[entity] ?? '')
    .trim();

const ENTITIES: Readonly<Record<string, string>> = {
  '&lt;': '<',
  '&gt;': '>',
  '&amp;': '&',
  '&quot;': '"',
  '&apos;': '’',
  '&#39;': '’',
  '&#13;': '\n',
};
