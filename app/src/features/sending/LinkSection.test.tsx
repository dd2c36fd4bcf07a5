import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { PaperProvider } from 'react-native-paper';
import { createLink, withdrawLink } from '@/remote';
import { keepLinks, readLinks } from '@/storage';
import { lightTheme } from '@/ui';
import { LinkSection } from './LinkSection';

jest.mock('@/remote', () => ({
  ServerError: class extends Error {},
  createLink: jest.fn(),
  withdrawLink: jest.fn(),
}));
jest.mock('@/storage', () => ({ keepLinks: jest.fn(), readLinks: jest.fn() }));
afterEach(cleanup);

const made = { token: 'tttt', ownerKey: 'kkkk', expiresAt: Date.now() + 1e6 };
let count = 0;
function show(): void {
  (createLink as jest.Mock).mockResolvedValue(made);
  (withdrawLink as jest.Mock).mockReset().mockResolvedValue(undefined);
  (readLinks as jest.Mock).mockResolvedValue([]);
  render(
    <PaperProvider theme={lightTheme}>
      <LinkSection
        documentId={`d${count++}`}
        title="Tide log"
        fileName="a.pdf"
        bytes={new Uint8Array(3)}
      />
    </PaperProvider>,
  );
  fireEvent.click(screen.getByText('Make a link'));
}

test('a link is shown once its key is kept', async () => {
  (keepLinks as jest.Mock).mockResolvedValue(undefined);
  show();
  expect((await screen.findByTestId('link')).textContent).toMatch(/\/s\/tttt$/);
  expect(withdrawLink).not.toHaveBeenCalled();
});

test('a link whose key storage refuses is withdrawn, and that is said', async () => {
  (keepLinks as jest.Mock).mockRejectedValue(new Error('QuotaExceededError'));
  show();
  expect(await screen.findByText(/no link was made/)).toBeTruthy();
  await waitFor(() => expect(withdrawLink).toHaveBeenCalledWith('tttt', 'kkkk'));
  expect(screen.queryByTestId('link')).toBeNull();
});
