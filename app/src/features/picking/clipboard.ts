import { marksOn } from '@marginalis/core/document';
import {
  boundsOfAll,
  ClipError,
  copyMarks,
  pasteMarks,
  readClip,
  writeClip,
} from '@marginalis/core/editing';
import { add, boxCentre, type Vec } from '@marginalis/core/geometry';
import type { DocumentSession } from '@/session';
import { pictureOfMarks } from '@/stage';
import { keepClip, readKeptClip } from '@/storage';

/** A second paste on the same page stands so far beside the first, points. */
const BESIDE: Vec = { x: 12, y: -12 };

/** Keeps copies of what is picked for this desk, and gives other programs its picture. */
export async function copyPicked(session: DocumentSession): Promise<void> {
  const { document, picked } = session.store.getState();
  const clip = copyMarks(document, picked);
  if (!clip) return;
  const picture = pictureOfMarks(clip.marks, clip.page);
  try {
    await keepClip(writeClip(clip));
  } catch (e) {
    session.tell(
      `What was copied could not be kept: ${e instanceof Error ? e.message : String(e)}`,
    );
    return;
  }
  try {
    await navigator.clipboard.write([new ClipboardItem({ 'image/png': picture })]);
  } catch {
    session.tell('Copied for pasting here. The browser does not give other programs its picture.');
  }
}

/** Puts what was copied on a page, its middle at `at`; beside where it was copied from when that is the same page. */
export async function pasteClip(
  session: DocumentSession,
  page: string,
  at: Vec | null,
): Promise<void> {
  const text = await readKeptClip();
  if (text === null) return session.tell('Nothing has been copied yet.');
  try {
    const clip = readClip(text);
    const { document } = session.store.getState();
    const own = boxCentre(boundsOfAll(clip.marks));
    const isSame =
      clip.page.id === page && clip.marks.some(({ id }) => marksOn(document, page).has(id));
    const place = isSame || !at ? add(own, BESIDE) : at;
    const transaction = pasteMarks(document, clip, page, place, () => crypto.randomUUID());
    if (session.dispatch(transaction))
      session.pick((transaction?.changes ?? []).map(({ id }) => id));
  } catch (e) {
    if (!(e instanceof ClipError)) throw e;
    session.tell(e.message);
  }
}
