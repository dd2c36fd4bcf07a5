// node annotationsByPdfjs.mjs FILE: what pdf.js lists as annotations, page by page, as JSON. A process of its own: Jest's
// modules and pdf.js's do not go together.
import { openGiven } from './openWithPdfjs.mjs';

const doc = await openGiven();
const pages = [];
for (let number = 1; number <= doc.numPages; number++) {
  const page = await doc.getPage(number);
  const all = await page.getAnnotations();
  pages.push(
    all.map(
      ({ subtype, rect, contentsObj, titleObj, inReplyTo, stateModel, state, hasAppearance }) => ({
        subtype,
        rect: [...rect],
        contents: contentsObj?.str ?? '',
        author: titleObj?.str ?? '',
        isAnswer: inReplyTo !== undefined,
        state: stateModel ? `${stateModel} ${state}` : '',
        hasAppearance,
      }),
    ),
  );
}
process.stdout.write(JSON.stringify(pages));
