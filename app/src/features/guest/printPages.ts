import { PRINTED } from './OnPaper';
import type { ServedPictures } from './ServedPictures';

/** Pixels across a sheet: about 190 of them to an inch of A4. */
const WIDTH = 1600;

/** Gets all pages and gives them to the browser to print. @throws ServerError when one does not come */
export async function printPages(
  pictures: ServedPictures,
  count: number,
  onProgress: (done: number) => void,
): Promise<void> {
  const sheets = document.createElement('div');
  sheets.className = PRINTED;
  const urls: string[] = [];
  try {
    for (let index = 0; index < count; index++) {
      onProgress(index);
      const url = URL.createObjectURL(await pictures.get({ index, width: WIDTH }, () => 0));
      urls.push(url);
      const picture = document.createElement('img');
      picture.alt = `Page ${index + 1}`;
      picture.src = url;
      sheets.append(picture);
      await picture.decode();
    }
    document.body.append(sheets);
    window.print();
  } finally {
    sheets.remove();
    for (const url of urls) URL.revokeObjectURL(url);
  }
}
