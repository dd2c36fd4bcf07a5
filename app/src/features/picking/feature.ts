import { marksOn } from '@marginalis/core/document';
import { carryMarks, groupMarks, removeMarks, ungroupMarks } from '@marginalis/core/editing';
import { mapAsSeen, moveBy, type Vec } from '@marginalis/core/geometry';
import { type Command, late, type Reader, type ReaderFeature, spotInSight } from '@/shell';
import { arrowStep } from '@/ui';
import { copyPicked, cutPicked, duplicatePicked, isOfClip, pasteClip } from './clipboard';
import { InHand, Picked } from './Picked';
import { PickWriter } from './PickWriter';
import { RESTYLE } from './ids';
import { WidthSetting } from './WidthSetting';

const RestylePanel = late(async () => (await import('./RestylePanel')).RestylePanel);

/** The page in the middle of the window and the place there; the current page's middle when none is. */
function middleOf(reader: Reader): { page: string; at: Vec | null } {
  const { index, at } = spotInSight(reader);
  return { page: reader.session.store.getState().document.pages[index].id, at };
}

/** Moves what is picked by a step of the arrow keys, as it is seen, whichever way its page is turned. */
function nudge({ session, stage }: Reader, key: string): void {
  const { document, picked } = session.store.getState();
  const [first] = picked;
  const page = stage.pages.find(({ id }) => marksOn(document, id).has(first));
  const step = arrowStep({ key: key.replace('Shift+', ''), shiftKey: key.startsWith('Shift+') });
  if (!page || !step) return;
  session.dispatch(carryMarks(document, picked, mapAsSeen(page, moveBy(step)), 'Move'));
}

const ARROWS = ['ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight'];

function commands(reader: Reader): readonly Command[] {
  const { session, shell } = reader;
  const { document, picked, writable, offer, scratch } = session.store.getState();
  const some = (): boolean => writable && picked.size > 0;
  const remove = (): void => void session.dispatch(removeMarks(document, picked));
  return [
    {
      id: 'lay-down',
      title: 'Refuse what is offered; deselect; close a sheet',
      group: 'Marks',
      keys: ['Escape'],
      hidden: true,
      able: () => shell.isOpen(RESTYLE) || offer !== null || scratch !== null || picked.size > 0,
      run: () => {
        // The topmost only.
        if (shell.isOpen(RESTYLE)) return shell.closePanel('roll');
        session.offers.dismiss();
        session.inHand.pick([]);
      },
    },
    {
      id: 'pick-all',
      title: 'Pick all marks of the page',
      group: 'Marks',
      also: 'select everything',
      icon: 'picker',
      keys: ['Mod+A'],
      able: () => writable,
      run: () => session.inHand.pick(marksOn(document, middleOf(reader).page).keys()),
    },
    {
      id: 'nudge',
      title: 'Move what is picked',
      group: 'Marks',
      keys: [...ARROWS, ...ARROWS.map((key) => `Shift+${key}`)],
      spelled: 'Arrows, with Shift farther',
      hidden: true,
      able: some,
      run: (key = '') => nudge(reader, key),
    },
    {
      id: RESTYLE,
      title: 'Change what is picked',
      group: 'Marks',
      also: 'look colour ink width style',
      icon: 'look',
      forPicked: 'Change',
      able: some,
      run: () => shell.openPanel('roll', RESTYLE),
    },
    {
      id: 'copy-picked',
      title: 'Copy what is picked',
      group: 'Marks',
      icon: 'copy',
      keys: ['Mod+C'],
      forPicked: 'Copy',
      able: some,
      run: () => void copyPicked(session),
    },
    {
      id: 'cut-picked',
      title: 'Cut what is picked',
      group: 'Marks',
      icon: 'cut',
      keys: ['Mod+X'],
      able: some,
      run: () => void cutPicked(session),
    },
    {
      id: 'paste',
      title: 'Paste',
      group: 'Marks',
      icon: 'paste',
      keys: ['Mod+V'],
      forPlace: 'Paste',
      atPlace: ({ page, at }) => void pasteClip(session, page, at),
      able: () => writable,
      run: () => {
        const { page, at } = middleOf(reader);
        void pasteClip(session, page, at);
      },
      async paste({ text, pictures }) {
        if (!(await isOfClip(text, pictures))) return false;
        const { page, at } = middleOf(reader);
        await pasteClip(session, page, at);
        return true;
      },
    },
    {
      id: 'duplicate-picked',
      title: 'Duplicate what is picked',
      group: 'Marks',
      icon: 'duplicate',
      keys: ['Mod+D'],
      able: some,
      run: () => duplicatePicked(session),
    },
    {
      id: 'group',
      title: 'Group what is picked',
      group: 'Marks',
      keys: ['Mod+G'],
      able: some,
      run: () => session.dispatch(groupMarks(document, picked, crypto.randomUUID())),
    },
    {
      id: 'ungroup',
      title: 'Ungroup what is picked',
      group: 'Marks',
      keys: ['Mod+Shift+G'],
      able: some,
      run: () => session.dispatch(ungroupMarks(document, picked)),
    },
    {
      id: 'remove-picked',
      title: 'Remove what is picked',
      group: 'Marks',
      also: 'delete rub out',
      icon: 'remove',
      keys: ['Delete', 'Backspace'],
      spelled: 'Delete',
      forPicked: `Remove ${picked.size}`,
      able: some,
      run: remove,
    },
  ];
}

/** Taking marks in hand, and what can be done with them. */
export const pickingFeature: ReaderFeature = {
  name: 'picking',
  commands,
  OnPage: Picked,
  later: [InHand],
  Settings: WidthSetting,
  panels: [{ id: RESTYLE, title: 'Look', side: 'roll', beneath: true, Content: RestylePanel }],
  instruments: [{ kinds: ['picker'], writer: (reader, tools) => new PickWriter(reader, tools) }],
};
