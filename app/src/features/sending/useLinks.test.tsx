import { act, renderHook, waitFor } from '@testing-library/react';
import { MOST_LINK_BYTES } from '@marginalis/core/wire';
import { createLink, putNotes, renewLink, ServerError, withdrawLink } from '@/remote';
import { keepLinks, readLinks } from '@/storage';
import { FIRST_TERMS, useLinks } from './useLinks';

jest.mock('@/remote', () => ({
  ServerError: class extends Error {},
  createLink: jest.fn(),
  putNotes: jest.fn(),
  renewLink: jest.fn(),
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

const FILE = { name: 'a.pdf', bytes: new Uint8Array(3), notes: [] };
const KEPT = {
  ...{ ...made, fileName: 'a.pdf', locked: false, viewOnly: false },
  ...{ mayAnswer: false, answersTaken: 0, withdrawn: false },
};

test('a link is there once its key is kept', async () => {
  (keepLinks as jest.Mock).mockResolvedValue(undefined);
  const result = links();
  await act(() => result.current.make(FILE, FIRST_TERMS));
  expect(keepLinks).toHaveBeenCalledWith(expect.any(String), [KEPT]);
  expect(result.current).toMatchObject({ trouble: null });
  expect(withdrawLink).not.toHaveBeenCalled();
});

test('a link whose key storage refuses is withdrawn, and that is said', async () => {
  (keepLinks as jest.Mock).mockRejectedValue(new Error('QuotaExceededError'));
  const result = links();
  await act(() => result.current.make(FILE, FIRST_TERMS));
  await waitFor(() => expect(withdrawLink).toHaveBeenCalledWith(made));
  expect(result.current.trouble).toMatch(/no link was made/);
  expect(result.current.made).toEqual([]);
});

test('notes that may be answered go beside the copy; where they do not get there, there is no link', async () => {
  (keepLinks as jest.Mock).mockReset().mockResolvedValue(undefined);
  const terms = { ...FIRST_TERMS, mayAnswer: true };
  const note = { id: 'n1', page: '3', quote: '', isSettled: false, said: [] };
  const file = { ...FILE, notes: [note] };
  (putNotes as jest.Mock).mockReset().mockResolvedValue(undefined);
  const result = links();
  await act(() => result.current.make(file, terms));
  expect(putNotes).toHaveBeenCalledWith(made, [note]);
  expect(keepLinks).toHaveBeenCalledWith(expect.any(String), [{ ...KEPT, mayAnswer: true }]);

  (putNotes as jest.Mock).mockRejectedValue(new ServerError('The server has no room.', 507));
  (keepLinks as jest.Mock).mockReset();
  await act(() => result.current.make(file, terms));
  expect(withdrawLink).toHaveBeenCalledWith(made);
  expect(keepLinks).not.toHaveBeenCalled();
  expect(result.current.trouble).toBe('The server has no room.');
});

test('a copy that is too large for a link is not sent anywhere', async () => {
  const result = links();
  const bytes = { length: MOST_LINK_BYTES + 1 } as Uint8Array;
  await act(() => result.current.make({ ...FILE, bytes }, FIRST_TERMS));
  expect(createLink).not.toHaveBeenCalled();
  expect(result.current.trouble).toMatch(/the most a link can carry/);
});

const kept = { ...KEPT, locked: true };

test('a link that is renewed stays the same, with the new file’s name', async () => {
  const result = links();
  (readLinks as jest.Mock).mockResolvedValue([kept]);
  (renewLink as jest.Mock).mockResolvedValue(undefined);
  (keepLinks as jest.Mock).mockReset().mockResolvedValue(undefined);
  const newer = { ...FILE, name: 'b.pdf' };
  await act(async () => expect(await result.current.renew(kept, newer)).toBe(true));
  expect(renewLink).toHaveBeenCalledWith(kept, 'b.pdf', FILE.bytes);
  expect(keepLinks).toHaveBeenCalledWith(expect.any(String), [{ ...kept, fileName: 'b.pdf' }]);
});

test('a renewal that the server refuses changes nothing here, and is said', async () => {
  const result = links();
  (readLinks as jest.Mock).mockResolvedValue([kept]);
  (renewLink as jest.Mock).mockRejectedValue(new ServerError('This link has expired.', 410));
  (keepLinks as jest.Mock).mockReset();
  await act(async () => expect(await result.current.renew(kept, FILE)).toBe(false));
  expect(keepLinks).not.toHaveBeenCalled();
  expect(result.current.trouble).toBe('This link has expired.');
});

test('a withdrawn link is no longer among those made, but what was sent can tell of it', async () => {
  const result = links();
  (readLinks as jest.Mock).mockResolvedValue([kept]);
  (keepLinks as jest.Mock).mockReset().mockImplementation(async (_id, next) => {
    (readLinks as jest.Mock).mockResolvedValue(next);
  });
  await act(() => result.current.withdraw(kept));
  expect(keepLinks).toHaveBeenCalledWith(expect.any(String), [{ ...kept, withdrawn: true }]);
  expect(result.current.made).toEqual([]);
});
