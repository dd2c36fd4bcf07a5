import { act, renderHook, waitFor } from '@testing-library/react';
import { MOST_LINK_BYTES } from '@marginalis/core/wire';
import { createLink, withdrawLink } from '@/remote';
import { keepLinks, readLinks } from '@/storage';
import { useLinks } from './useLinks';

jest.mock('@/remote', () => ({
  ServerError: class extends Error {},
  createLink: jest.fn(),
  withdrawLink: jest.fn(),
}));
jest.mock('@/storage', () => ({ keepLinks: jest.fn(), readLinks: jest.fn() }));

const made = { token: 'tttt', ownerKey: 'kkkk', expiresAt: Date.now() + 1e6 };
let count = 0;
function links() {
  (createLink as jest.Mock).mockReset().mockResolvedValue(made);
  (withdrawLink as jest.Mock).mockReset().mockResolvedValue(undefined);
  (readLinks as jest.Mock).mockResolvedValue([]);
  const document = `d${count++}`;
  return renderHook(() => useLinks(document, 'Tide log')).result;
}

const FILE = { name: 'a.pdf', bytes: new Uint8Array(3) };

test('a link is there once its key is kept', async () => {
  (keepLinks as jest.Mock).mockResolvedValue(undefined);
  const result = links();
  await act(() => result.current.make(FILE, 7));
  expect(keepLinks).toHaveBeenCalledWith(expect.any(String), [{ ...made, fileName: 'a.pdf' }]);
  expect(result.current).toMatchObject({ busy: false, trouble: null });
  expect(withdrawLink).not.toHaveBeenCalled();
});

test('a link whose key storage refuses is withdrawn, and that is said', async () => {
  (keepLinks as jest.Mock).mockRejectedValue(new Error('QuotaExceededError'));
  const result = links();
  await act(() => result.current.make(FILE, 7));
  await waitFor(() => expect(withdrawLink).toHaveBeenCalledWith('tttt', 'kkkk'));
  expect(result.current.trouble).toMatch(/no link was made/);
  expect(result.current.made).toEqual([]);
});

test('a copy that is too large for a link is not sent anywhere', async () => {
  const result = links();
  const bytes = { length: MOST_LINK_BYTES + 1 } as Uint8Array;
  await act(() => result.current.make({ name: 'a.pdf', bytes }, 7));
  expect(createLink).not.toHaveBeenCalled();
  expect(result.current.trouble).toMatch(/the most a link can carry/);
});
