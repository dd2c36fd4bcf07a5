import { findMark } from '@marginalis/core/document';
import type { DrawerItem } from '@marginalis/core/drawer';
import { lookOfText } from '@marginalis/core/editing';
import { asText } from '@marginalis/core/kinds';
import { noteUsed, typingInstrument, useSettings } from '@/session';
import { type Reader, relookTexts } from '@/shell';

/** Gives the look of a text that was put in the drawer to those that are picked; to what is typed next where none is. */
export async function takeLook({ session }: Reader, item: DrawerItem): Promise<void> {
  const from = asText(item.marks[0]);
  if (!from) return;
  const { document, picked } = session.store.getState();
  const texts = [...picked].flatMap((id) => asText(findMark(document, id)) ?? []);
  // How many cells a row has, and that a box keeps its height, belongs to the box.
  const { cell: _, fits: __, ...look } = lookOfText(from);
  if (texts.length > 0) await relookTexts(session, texts, look);
  else {
    const { id } = typingInstrument(session);
    useSettings.getState().change(id, look);
    session.hand.choose(id);
    session.notices.tell(`What is typed next looks like “${item.name}”.`);
  }
  await noteUsed(item);
}
