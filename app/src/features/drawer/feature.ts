import { distance, lerp } from '@marginalis/core/geometry';
import { late, type PagePlace, type ReaderFeature } from '@/shell';
import { drawerAsked, NOWHERE } from './asked';
import { DRAWER, PUT_IN } from './ids';

/** On the foot of an area, and no larger; else where it is asked for. */
function toSign({ index, at, area }: PagePlace) {
  if (!area) return { spot: { index, at }, room: null };
  const [a, b, c, d] = area;
  const room = { width: distance(a, b), height: distance(b, c) };
  return { spot: { index, at: lerp(d, c, 0.5) }, room };
}

const DrawerSheet = late(async () => (await import('./DrawerSheet')).DrawerSheet);
const PutInSheet = late(async () => (await import('./PutInSheet')).PutInSheet);

/** One's own things that are used again. */
export const drawerFeature: ReaderFeature = {
  name: 'drawer',
  commands: ({ session, shell }) => {
    const able = (): boolean => session.store.getState().writable;
    return [
      {
        id: DRAWER,
        title: 'Open the drawer',
        group: 'Marks',
        also: 'own stamps signatures pictures reuse snippets favourites',
        icon: 'drawer',
        able,
        run: () => {
          drawerAsked.setState(NOWHERE);
          shell.openDialog(DRAWER);
        },
        forPlace: 'Drawer',
        atPlace: ({ index, at }) => {
          drawerAsked.setState({ ...NOWHERE, spot: { index, at } });
          shell.openDialog(DRAWER);
        },
      },
      {
        id: 'sign',
        title: 'Sign',
        group: 'Marks',
        also: 'signature name autograph initials',
        icon: 'sign',
        able,
        run: () => {
          drawerAsked.setState({ ...NOWHERE, signs: true });
          shell.openDialog(DRAWER);
        },
        forPlace: 'Sign',
        atPlace: (place) => {
          drawerAsked.setState({ ...toSign(place), signs: true });
          shell.openDialog(DRAWER);
        },
      },
      {
        id: PUT_IN,
        title: 'Put what is picked in the drawer',
        group: 'Marks',
        also: 'keep save reuse stamp signature own',
        icon: 'drawer',
        forPicked: 'Drawer',
        able: () => session.store.getState().picked.size > 0,
        run: () => shell.openDialog(PUT_IN),
      },
    ];
  },
  dialogs: [
    { id: DRAWER, Content: DrawerSheet },
    { id: PUT_IN, Content: PutInSheet },
  ],
};
