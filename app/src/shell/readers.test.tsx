import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { View } from 'react-native';
import { PaperProvider } from 'react-native-paper';
import { lightTheme } from '@/ui';
import { CommandPalette } from './CommandPalette';
import type { Command, ReaderFeature } from './feature';
import { commandsOf } from './commands';
import { KeysSheet } from './KeysSheet';
import { late, preload } from './late';
import { OpenDialog } from './Panels';
import { type HeldReader, ReaderContext } from './ReaderContext';
import { shellFeature } from './shellFeature';
import { Thumbnails } from './thumbnails';
import { createShell } from './shellStore';
import { useCommandKeys } from './useCommandKeys';

afterEach(cleanup);

/** A reader that notes what its commands did. */
function standing(name: string, commands: (did: (what: string) => void) => readonly Command[]) {
  const did: string[] = [];
  const feature: ReaderFeature = {
    name,
    commands: () => commands((what) => did.push(what)),
  };
  const shell = createShell(
    () => did.push('leave'),
    () => undefined,
  );
  const reader: HeldReader = {
    session: {} as never,
    stage: {} as never,
    pictures: () => null,
    shell,
    features: [],
    thumbnails: new Thumbnails(() => null),
    commands: () => commandsOf([feature, shellFeature], reader),
  };
  return { name, did, reader };
}
type Standing = ReturnType<typeof standing>;

function Frame({ reader, name }: Standing) {
  const [frame, setFrame] = useState<View | null>(null);
  return (
    <ReaderContext.Provider value={reader}>
      <View ref={setFrame} testID={name} tabIndex={0}>
        <Keys frame={frame as unknown as HTMLElement | null} />
        <OpenDialog features={[shellFeature]} />
      </View>
    </ReaderContext.Provider>
  );
}
function Keys({ frame }: { frame: HTMLElement | null }) {
  useCommandKeys(frame);
  return null;
}
const show = (...all: readonly Standing[]) =>
  render(
    <PaperProvider theme={lightTheme}>
      {all.map((one) => (
        <Frame key={one.name} {...one} />
      ))}
    </PaperProvider>,
  );

const undo = (did: (what: string) => void): readonly Command[] => [
  { id: 'undo', title: 'Undo', group: 'Document', keys: ['Mod+Z'], run: () => did('undo') },
  {
    id: 'dotted',
    title: 'Add a dotted page',
    group: 'Pages',
    also: 'paper',
    run: () => did('dotted'),
  },
  { id: 'no', title: 'Cannot be done', group: 'Pages', able: () => false, run: () => did('no') },
];

test('of two readers in one window the one touched last has the keys; each undoes its own', () => {
  const [left, right] = [standing('left', undo), standing('right', undo)];
  show(left, right);
  fireEvent.keyDown(window, { key: 'z', ctrlKey: true });
  expect([left.did, right.did]).toEqual([['undo'], []]);
  fireEvent.pointerDown(screen.getByTestId('right'));
  fireEvent.keyDown(window, { key: 'z', ctrlKey: true });
  fireEvent.keyDown(window, { key: 'z', metaKey: true });
  expect([left.did, right.did]).toEqual([['undo'], ['undo', 'undo']]);
  act(() => screen.getByTestId('left').focus());
  fireEvent.keyDown(window, { key: 'z', ctrlKey: true });
  expect(left.did).toEqual(['undo', 'undo']);
});

test('keys rest while something is typed or open; a button keeps Enter to itself', () => {
  const keys = (did: (what: string) => void): readonly Command[] => [
    { id: 'take', title: 'Take', group: 'Marks', keys: ['Enter'], run: () => did('take') },
  ];
  const one = standing('one', keys);
  show(one);
  const button = document.createElement('button');
  const field = document.createElement('input');
  document.body.append(button, field);
  fireEvent.keyDown(button, { key: 'Enter' });
  fireEvent.keyDown(field, { key: 'Enter' });
  expect(one.did).toEqual([]);
  fireEvent.keyDown(document.body, { key: 'Enter' });
  expect(one.did).toEqual(['take']);
  const dialog = document.createElement('div');
  dialog.setAttribute('role', 'dialog');
  document.body.append(dialog);
  fireEvent.keyDown(document.body, { key: 'Enter' });
  expect(one.did).toEqual(['take']);
  for (const element of [button, field, dialog]) element.remove();
});

test('the list of commands shows what can be done, narrows by letters, and runs by Enter', () => {
  const one = standing('one', undo);
  let closed = 0;
  render(
    <PaperProvider theme={lightTheme}>
      <ReaderContext.Provider value={one.reader}>
        <CommandPalette onClose={() => closed++} />
      </ReaderContext.Provider>
    </PaperProvider>,
  );
  const names = (): (string | null)[] =>
    screen.getAllByRole('option').map((o) => o.getAttribute('aria-label'));
  expect(names()).toEqual(['Undo', 'Add a dotted page', 'Keys', 'Settings']);
  fireEvent.change(screen.getByRole('combobox'), { target: { value: 'dot' } });
  expect(names()).toEqual(['Add a dotted page']);
  fireEvent.keyDown(window, { key: 'Enter' });
  expect([one.did, closed]).toEqual([['dotted'], 1]);
});

test('the list of keys names what each does', () => {
  const one = standing('one', undo);
  render(
    <PaperProvider theme={lightTheme}>
      <ReaderContext.Provider value={one.reader}>
        <KeysSheet onClose={() => undefined} />
      </ReaderContext.Provider>
    </PaperProvider>,
  );
  expect(screen.getByText('Ctrl Z')).toBeTruthy();
  expect(screen.getByText('Undo')).toBeTruthy();
  expect(screen.queryByText('Add a dotted page')).toBeNull();
});

test('one dialog is open at a time, and one panel a side', () => {
  const { reader } = standing('one', () => []);
  const { shell } = reader;
  shell.openDialog('a');
  shell.openDialog('b');
  shell.closeDialog('a');
  expect([shell.isOpen('a'), shell.isOpen('b')]).toEqual([false, true]);
  shell.closeDialog('b');
  shell.togglePanel('margin', 'marks');
  shell.togglePanel('roll', 'contents');
  shell.togglePanel('margin', 'search');
  expect(shell.store.getState().panels).toEqual({ margin: 'search', roll: 'contents' });
  shell.togglePanel('margin', 'search');
  expect(shell.store.getState()).toEqual({
    panels: { margin: null, roll: 'contents' },
    opened: 'search',
    dialog: null,
  });
});

const LateView = () => <View testID="late" />;

test('what is late is loaded once, ahead or when it is shown; what failed is tried again', async () => {
  let loads = 0;
  let fails = true;
  const Late = late<object>(async () => {
    loads++;
    if (fails) throw new Error('offline');
    return LateView;
  });
  await preload([Late, () => null]);
  expect(loads).toBe(1);
  fails = false;
  await preload([Late]);
  await preload([Late]);
  expect(loads).toBe(2);
  render(<Late />);
  expect(await screen.findByTestId('late')).toBeTruthy();
  expect(loads).toBe(2);
});

test('what cannot be loaded when it is shown says so, and is tried again when asked', async () => {
  let fails = true;
  const Late = late<object>(async () => {
    if (fails) throw new Error('offline');
    return LateView;
  });
  render(
    <PaperProvider theme={lightTheme}>
      <Late />
    </PaperProvider>,
  );
  expect(await screen.findByText(/cannot be fetched/)).toBeTruthy();
  fails = false;
  fireEvent.click(screen.getByText('Try again'));
  expect(await screen.findByTestId('late')).toBeTruthy();
});
