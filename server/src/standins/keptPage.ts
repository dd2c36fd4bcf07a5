import { escape, htmlPage } from '../http/htmlPage.ts';

const STYLE = `  main { max-width: 42rem; margin: 0 auto; padding: 1.5rem 1rem 3rem; font-size: 1.0625rem; }
  h2 { font: 600 1.125rem/1.3 Title, Georgia, serif; margin: 0; }
  ul { list-style: none; padding: 0; display: grid; gap: 0.75rem; }
  li { background: var(--card); border: 1px solid var(--edge); border-radius: 4px; padding: 0.875rem 1rem; }
  p { margin: 0.375rem 0 0; overflow-wrap: anywhere; }
  .text { white-space: pre-wrap; }
  .quiet { color: var(--quiet); }
  a { color: var(--accent); display: inline-block; padding: 0.25rem 0; }`;

/** A page of what was kept: what it says of it all, and a card each, markup. */
export const keptPage = (
  title: string,
  says: string,
  cards: readonly string[],
  none: string,
): string =>
  htmlPage(
    title,
    STYLE,
    `<p>${escape(says)}</p>
${cards.length === 0 ? `<p>${escape(none)}</p>` : `<ul>${cards.map((card) => `<li>${card}</li>`).join('\n')}</ul>`}`,
  );

export const sizeInWords = (bytes: number): string =>
  bytes < 1e6 ? `${Math.ceil(bytes / 1000)} kB` : `${(bytes / 1e6).toFixed(1)} MB`;

export const timeInWords = (at: number): string =>
  `<time>${new Date(at).toISOString().slice(0, 16).replace('T', ' ')} UTC</time>`;
