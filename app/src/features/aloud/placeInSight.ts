import { boxCentre, transform } from '@marginalis/core/geometry';
import type { WordEnd } from '@/session';
import type { Reader } from '@/shell';

/** The first word in sight; the beginning of the page in sight where none of it can be read. */
export async function placeInSight({ session, stage }: Reader): Promise<WordEnd> {
  const page = stage.getSight().current;
  const matrix = stage.userToView(page);
  try {
    const print = await session.print.of(session.store.getState().document.pages[page]);
    const word = print.words.find(({ box, line }) => {
      const { y } = transform(matrix, boxCentre(box));
      return y > 0 && !print.lines[line].running;
    });
    return { page, place: word?.from ?? 0 };
  } catch {
    // Reading itself says what is wrong.
    return { page, place: 0 };
  }
}
