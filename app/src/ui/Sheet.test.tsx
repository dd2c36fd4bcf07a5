import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { PaperProvider } from 'react-native-paper';
import { Action } from './Action';
import { Sheet } from './Sheet';

afterEach(cleanup);

function Two() {
  const [outer, setOuter] = useState(false);
  const [inner, setInner] = useState(false);
  return (
    <PaperProvider settings={{ icon: () => null }}>
      <Action onPress={() => setOuter(true)}>Open</Action>
      <Sheet title="Below" open={outer} onClose={() => setOuter(false)}>
        <Action onPress={() => setInner(true)}>Further</Action>
      </Sheet>
      <Sheet title="Above" open={inner} onClose={() => setInner(false)}>
        <Action>Here</Action>
      </Sheet>
    </PaperProvider>
  );
}

const focused = (): string | null => document.activeElement?.textContent ?? null;
const press = async (name: string): Promise<void> => {
  const button = screen.getByRole('button', { name });
  act(() => button.focus());
  await act(async () => void fireEvent.click(button));
};

test('Escape closes the topmost sheet only, and nothing beneath hears of it', async () => {
  const heard = jest.fn();
  window.addEventListener('keydown', heard);
  render(<Two />);
  await press('Open');
  await press('Further');
  expect(screen.getByRole('dialog', { name: 'Above' })).toBeTruthy();
  await act(async () => void fireEvent.keyDown(document.body, { key: 'Escape' }));
  await waitFor(() => expect(screen.queryByRole('dialog', { name: 'Above' })).toBeNull());
  expect(screen.getByRole('dialog', { name: 'Below' })).toBeTruthy();
  await act(async () => void fireEvent.keyDown(document.body, { key: 'Escape' }));
  await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
  expect(heard).not.toHaveBeenCalled();
  await act(async () => void fireEvent.keyDown(document.body, { key: 'Escape' }));
  expect(heard).toHaveBeenCalledTimes(1);
  window.removeEventListener('keydown', heard);
});

test('the focus goes to the first control, stays inside, and returns on closing', async () => {
  render(<Two />);
  await press('Open');
  expect(focused()).toBe('Further');
  fireEvent.keyDown(document.activeElement ?? document.body, { key: 'Tab' });
  expect(document.activeElement?.getAttribute('aria-label')).toBe('Close');
  fireEvent.keyDown(document.activeElement ?? document.body, { key: 'Tab', shiftKey: true });
  expect(focused()).toBe('Further');
  await act(async () => void fireEvent.keyDown(document.body, { key: 'Escape' }));
  await waitFor(() => expect(focused()).toBe('Open'));
});
