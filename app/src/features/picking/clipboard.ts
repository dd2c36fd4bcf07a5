import { marksOn, type Transaction } from '@marginalis/core/document';
import {
  boundsOfAll,
  type Clip,
  ClipError,
  copyMarks,
  duplicateMarks,
  pasteMarks,
  readClip,
  removeMarks,
  writeClip,
} from '@marginalis/core/editing';
import { add, boxCentre, type Vec } from '@marginalis/core/geometry';
import { asText, kindFor, type Mark } from '@marginalis/core/kinds';
import type { MarkId } from '@marginalis/core/marks';
import type { DocumentSession } from '@/session';
import { pictureOfMarks, pictureSize } from '@/stage';
import { keepClip, readKeptClip } from '@/storage';

/** Copies on the same page stand so far beside what they were made from, points. */
const BESIDE: Vec = { x: 12, y: -12 };

const newId = (): string => crypto.randomUUID();

/** What is being kept just now: who pastes at once pastes that, and not what was copied before. */
let keeping: Promise<void> = Promise.resolve();
async function copiedLast(): Promise<string | null> {
  // That it could not be kept was said when it was copied.
  await keeping.catch(() => undefined);
  return readKeptClip();
}

/** So many copies the system has not taken yet: until it has, it gives what was copied before. */
let underWay = 0;
/** The system has not taken what was copied last: what it gives was there before, until somebody may have copied something else. */
let isRefused = false;
for (const event of ['blur', 'copy', 'cut'] as const)
  window.addEventListener(event, () => (isRefused = false));

/** Does what brings in marks, and picks them. */
function takeInHand(session: DocumentSession, transaction: Transaction | null): void {
  if (session.dispatch(transaction))
    session.inHand.pick((transaction?.changes ?? []).map(({ id }) => id));
}

/** Puts copies of what is picked beside it, and picks them. */
export function duplicatePicked(session: DocumentSession): void {
  const { document, picked } = session.store.getState();
  takeInHand(session, duplicateMarks(document, picked, BESIDE, newId));
}

/** Copies what is picked and takes it away; what could not be copied, or kept, stays. */
export async function cutPicked(session: DocumentSession): Promise<void> {
  const copied = await copyPicked(session);
  session.dispatch(removeMarks(session.store.getState().document, copied));
}

/** What text boxes say, in the order they lie in. */
const saidBy = (marks: readonly Mark[]): string =>
  marks.flatMap((mark) => (asText(mark) ? kindFor(mark).words(mark).text : [])).join('\n');

/** Keeps copies of what is picked for this desk, and gives other programs its picture, and its text where it has some; which marks were copied and kept. */
export async function copyPicked(session: DocumentSession): Promise<readonly MarkId[]> {
  const { document, picked } = session.store.getState();
  const clip = copyMarks(document, picked);
  if (!clip) return [];
  underWay++;
  try {
    return (await keepAndHandOver(session, clip)) ? clip.marks.map(({ id }) => id) : [];
  } finally {
    underWay--;
  }
}

/** Whether it could be kept. */
async function keepAndHandOver({ notices }: DocumentSession, clip: Clip): Promise<boolean> {
  const picture = pictureOfMarks(clip.marks, clip.page);
  isRefused = false;
  try {
    keeping = keepClip(writeClip(clip));
    await keeping;
  } catch (e) {
    notices.tell(
      `What was copied could not be kept: ${e instanceof Error ? e.message : String(e)}`,
    );
    return false;
  }
  try {
    const said = saidBy(clip.marks);
    const forms: Record<string, Blob | Promise<Blob>> = { 'image/png': picture };
    if (said !== '') forms['text/plain'] = new Blob([said], { type: 'text/plain' });
    await navigator.clipboard.write([new ClipboardItem(forms)]);
  } catch {
    isRefused = true;
    notices.tell('Copied for pasting here. The browser does not give other programs its picture.');
  }
  return true;
}

/** Whether a text and pictures that are pasted came with the marks copied last, or there are none at all: no other program has put something else there since. */
export async function isOfClip(text: string, pictures: readonly File[] = []): Promise<boolean> {
  if (underWay > 0 || isRefused) return true;
  const [picture] = pictures;
  if (text.trim() === '' && !picture) return true;
  const kept = await copiedLast();
  if (kept === null) return false;
  try {
    const clip = readClip(kept);
    if (lined(saidBy(clip.marks)) !== lined(text)) return false;
    return !picture || (await isPictureOf(clip, picture));
  } catch (e) {
    if (!(e instanceof ClipError)) throw e;
    return false;
  }
}

/** Whether a picture is the one that went with marks: it has as many pixels, though it was packed anew on its way. */
async function isPictureOf({ marks, page }: Clip, picture: File): Promise<boolean> {
  const { pictureHead, PictureRefusal } = await import('@marginalis/core/pictures');
  try {
    const bytes = new Uint8Array(await picture.arrayBuffer());
    const { width, height } = pictureHead(bytes, picture.name);
    const own = pictureSize(marks, page);
    return own.width === width && own.height === height;
  } catch (e) {
    if (e instanceof PictureRefusal) return false;
    throw e;
  }
}

/** Systems end lines in their own ways. */
const lined = (text: string): string => text.replace(/\r\n?/g, '\n').trim();

/** Puts what was copied on a page, its middle at `at`; beside where it was copied from when that is the same page. */
export async function pasteClip(
  session: DocumentSession,
  page: string,
  at: Vec | null,
): Promise<void> {
  const text = await copiedLast();
  if (text === null) return session.notices.tell('Nothing has been copied yet.');
  try {
    const clip = readClip(text);
    const { document } = session.store.getState();
    const own = boxCentre(boundsOfAll(clip.marks));
    const isSame =
      clip.page.id === page && clip.marks.some(({ id }) => marksOn(document, page).has(id));
    const place = isSame || !at ? add(own, BESIDE) : at;
    takeInHand(session, pasteMarks(document, clip, page, place, newId));
  } catch (e) {
    if (!(e instanceof ClipError)) throw e;
    session.notices.tell(e.message);
  }
}
