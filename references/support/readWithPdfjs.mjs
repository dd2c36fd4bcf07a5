// node readWithPdfjs.mjs FILE: the links of each page and the outline as pdf.js reads them, as JSON: where links lie, and the
// page (from 0) and place or the address they lead to; entries of the outline, one after the other, with their pages. A process of its own: Jest's modules and pdf.js's do not go together.
import { openGiven } from './openWithPdfjs.mjs';

const doc = await openGiven();
const placeOf = async (dest) => {
  const explicit = typeof dest === 'string' ? await doc.getDestination(dest) : dest;
  if (!Array.isArray(explicit)) return null;
  const [ref, , x = null, y = null] = explicit;
  return { page: await doc.getPageIndex(ref).catch(() => -1), x, y };
};
const pages = [];
for (let number = 1; number <= doc.numPages; number++) {
  const all = await (await doc.getPage(number)).getAnnotations();
  const links = all.filter(({ subtype }) => subtype === 'Link');
  pages.push(
    await Promise.all(
      links.map(async ({ rect, url, dest }) => ({
        rect: rect.map((n) => Math.round(10 * n) / 10),
        address: url ?? null,
        place: await placeOf(dest),
      })),
    ),
  );
}
const outline = [];
const read = async (items) => {
  for (const { title, dest, items: beneath } of items ?? []) {
    outline.push({ title, page: (await placeOf(dest))?.page ?? null });
    await read(beneath);
  }
};
await read(await doc.getOutline());
process.stdout.write(JSON.stringify({ pages, outline }));
