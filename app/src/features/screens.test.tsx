import { FIRST_ROLL } from '@marginalis/core/marks';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import type { ReactElement } from 'react';
import { PaperProvider } from 'react-native-paper';
import { useSettings } from '@/session';
import { lightTheme } from '@/ui';
import { deskDocument } from '../testing/deskDocument';
import { DocumentCard, kindOf } from './desk/DocumentCard';
import { RenameSheet } from './desk/RenameSheet';
import { InstrumentSheet } from './inking/InstrumentSheet';
import { instrumentLabel } from './inking/InstrumentButton';
import { PasswordScreen } from './reader/PasswordScreen';

const mockUnlock = jest.fn();
const mockRemove = jest.fn();
jest.mock('@/session', () => {
  const { useSettings: roll } = jest.requireActual('../session/settings');
  const state = { document: { pages: [], marks: new Map() } };
  return {
    useSettings: roll,
    useSession: () => ({ dispatch: jest.fn(), hand: { choose: jest.fn(), await: jest.fn() } }),
    useSessionState: (pick: (s: typeof state) => unknown) => pick(state),
    usePageNames: () => (index: number) => String(index + 1),
    unlockDocument: (...a: unknown[]) => mockUnlock(...a),
    useRemoval: { getState: () => ({ remove: (...a: unknown[]) => mockRemove(...a) }) },
  };
});

jest.mock('@/stage', () => ({
  ...jest.requireActual('@/stage'),
  useSight: () => ({ current: 0 }),
}));

const show = (element: ReactElement) =>
  render(<PaperProvider theme={lightTheme}>{element}</PaperProvider>);
afterEach(cleanup);

const document = deskDocument();

test('a card says what the document is, and opens, renames and removes it', async () => {
  const calls: string[] = [];
  const note = (what: string) => () => calls.push(what);
  show(
    <DocumentCard
      document={{ ...document, scanned: true }}
      wide
      now={3 * 3600_000}
      onOpen={note('open')}
      onSend={note('send')}
      onRename={note('rename')}
      onRemove={note('remove')}
    />,
  );
  expect(screen.getByText('1 page · Scanned')).toBeTruthy();
  expect(screen.getByText('3 h ago')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Open Tide log' }));
  expect(calls).toEqual(['open']);
  expect(screen.getByRole('button', { name: 'More about Tide log' })).toBeTruthy();
});

test('the kind that matters most is the one that is said', () => {
  expect(kindOf(document)).toBe('Text');
  expect(kindOf({ ...document, scanned: true, signed: true })).toBe('Signed');
  expect(kindOf({ ...document, signed: true, locked: true })).toBe('Locked');
});

test('renaming offers the old title and refuses an empty one', () => {
  const named: string[] = [];
  show(
    <RenameSheet
      document={document}
      onClose={() => undefined}
      onRename={(_id, t) => named.push(t)}
    />,
  );
  const field = screen.getByDisplayValue('Tide log');
  fireEvent.change(field, { target: { value: '   ' } });
  fireEvent.click(screen.getByRole('button', { name: 'Rename' }));
  expect(named).toEqual([]);
  fireEvent.change(field, { target: { value: 'Gauge readings' } });
  fireEvent.click(screen.getByRole('button', { name: 'Rename' }));
  expect(named).toEqual(['Gauge readings']);
});

test('an instrument’s ink, width, steadiness and manner can be changed, each by its name', () => {
  show(
    <InstrumentSheet
      instrument={FIRST_ROLL[0]}
      onClose={() => undefined}
      onAdd={() => undefined}
    />,
  );
  for (const group of ['Ink', 'Width, mm', 'Steadiness'])
    expect(screen.getByRole('radiogroup', { name: group })).toBeTruthy();
  fireEvent.click(screen.getByRole('radio', { name: 'Verdigris green' }));
  fireEvent.click(screen.getByRole('radio', { name: '1.5' }));
  fireEvent.click(screen.getByText('Never'));
  expect(useSettings.getState().roll[0]).toMatchObject({
    colour: '#0f7566',
    widthMm: 1.5,
    tidy: 'never',
  });
  // Nothing is written yet that could have another.
  for (const what of ['the last stroke', 'this page’s ink'])
    expect(screen.getByRole('button', { name: `Give ${what} this steadiness` })).toHaveProperty(
      'disabled',
      true,
    );
});

test('the eraser has a diameter and neither ink nor manners', () => {
  show(
    <InstrumentSheet
      instrument={FIRST_ROLL[5]}
      onClose={() => undefined}
      onAdd={() => undefined}
    />,
  );
  expect(screen.getByRole('radiogroup', { name: 'Diameter, mm' })).toBeTruthy();
  expect(screen.queryByRole('radiogroup', { name: 'Ink' })).toBeNull();
  expect(screen.queryByText('Steadiness')).toBeNull();
  fireEvent.click(screen.getByRole('radio', { name: 'What it passes over' }));
  fireEvent.click(screen.getByRole('radio', { name: 'Highlighter' }));
  expect(useSettings.getState().roll[5]).toMatchObject({ takes: 'part', only: 'highlighter' });
  expect(screen.getByRole('button', { name: 'Clear page 1' })).toHaveProperty('disabled', true);
});

test('an instrument is said aloud with its ink and width', () => {
  expect(FIRST_ROLL.map(instrumentLabel)).toEqual([
    'Fine pen, Iron gall blue, 0.5 mm',
    'Marking pen, Vermilion red, 0.7 mm',
    'Broad highlighter, Weld yellow, 5 mm',
    'Fine highlighter, Woad blue, 3 mm',
    'Figure pen, Verdigris green, 0.5 mm',
    'Eraser, 4 mm',
    'Picker',
    'Word highlighter, Sap green',
    'Word underliner, Vermilion red, 0.4 mm',
    'Word picker',
    'Answer text, Iron gall blue, 11 pt',
  ]);
});

test('a locked document asks for its password; a wrong one is said and can be tried again', async () => {
  const went: string[] = [];
  mockUnlock.mockResolvedValueOnce({ ok: false, message: 'That password does not open this PDF.' });
  show(
    <PasswordScreen
      document={document}
      onUnlocked={() => went.push('in')}
      onLeave={() => went.push('out')}
    />,
  );
  const field = screen.getByLabelText('Password');
  fireEvent.change(field, { target: { value: 'whelk' } });
  fireEvent.click(screen.getByRole('button', { name: 'Open' }));
  expect(await screen.findByText('That password does not open this PDF.')).toBeTruthy();
  mockUnlock.mockResolvedValueOnce({ ok: true });
  fireEvent.change(field, { target: { value: 'limpet' } });
  fireEvent.click(screen.getByRole('button', { name: 'Open' }));
  await waitFor(() => expect(went).toEqual(['in']));
  expect(mockUnlock).toHaveBeenLastCalledWith(document, 'limpet');
  fireEvent.click(screen.getByRole('button', { name: 'Skip for now' }));
  expect(went).toEqual(['in', 'out']);
  fireEvent.click(screen.getByRole('button', { name: 'Remove from the desk' }));
  await waitFor(() =>
    expect(mockRemove).toHaveBeenCalledWith(expect.objectContaining({ id: 'd1' })),
  );
});
