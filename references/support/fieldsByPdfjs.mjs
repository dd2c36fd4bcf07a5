// node fieldsByPdfjs.mjs FILE: the fields that pdf.js finds on each page and what they hold, as JSON. A process of its own:
// Jest's modules and pdf.js's do not go together.
import { openGiven } from './openWithPdfjs.mjs';

const doc = await openGiven();
const fields = {};
for (let number = 1; number <= doc.numPages; number++) {
  const page = await doc.getPage(number);
  for (const { subtype, fieldName, fieldValue, hasAppearance } of await page.getAnnotations())
    if (subtype === 'Widget') {
      // Of radio buttons only the one that is on has to be seen.
      const isSeen = hasAppearance || fields[fieldName]?.hasAppearance === true;
      fields[fieldName] = { value: fieldValue, hasAppearance: isSeen };
    }
}
process.stdout.write(JSON.stringify(fields));
