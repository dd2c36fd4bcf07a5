import { escape, htmlPage } from './htmlPage.ts';

/** A sentence in the middle of a page, for guests whose link does not lead anywhere (any more). */
export const plainPage = (title: string, text: string): string =>
  htmlPage(
    title,
    `  body { min-height: 100vh; display: grid; place-content: center; }
  main { max-width: 26rem; padding: 2rem; }`,
    `<p>${escape(text)}</p>`,
  );
