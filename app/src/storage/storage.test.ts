import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { journalStoreContract } from '../../../core/testing/journalStoreContract';
import { deskDocument } from '../testing/deskDocument';
import { sha256 } from './bytes';
import { createJournalStore, dropJournal, readWhole } from './journals';
import { keepLinks, readLinks } from './links';
import { keepSent, readSent } from './sent';
import { FIRST_SETTINGS, keepSettings, readSettings } from './settings';
import { dropDocument, findDocument, keepDocument, readShelf } from './shelf';
import { dropSource, keepSource, readSource } from './sources';

let count = 0;
describe('the journal in the browser', () => {
  journalStoreContract(() => createJournalStore(`test-${count++}`));

  test('documents do not see each other’s journals, and dropping one leaves the other', async () => {
    const [a, b] = ['alone-a', 'alone-b'].map(createJournalStore);
    await a.put([['x', 'of a']]);
    await b.put([['x', 'of b']]);
    await dropJournal('alone-a');
    expect((await a.readAll()).size).toBe(0);
    expect((await b.readAll()).get('x')).toBe('of b');
  });
});

test('a journal that is compacted between its list and its texts is not taken for an empty one', async () => {
  const texts: Record<string, string> = { 'record/1': 'one', 'record/2': 'two' };
  let compactions = 1;
  const store = {
    getAllKeys: async () => Object.keys(texts),
    async getMany(keys: string[]) {
      if (compactions-- > 0) {
        for (const key of Object.keys(texts)) delete texts[key];
        texts['bundle/1'] = 'one and two';
      }
      return Object.fromEntries(keys.map((key) => [key, texts[key] ?? null]));
    },
  };
  expect([...(await readWhole(store))]).toEqual([['bundle/1', 'one and two']]);
  compactions = Infinity;
  const busy = { ...store, getMany: async () => ({}) };
  await expect(readWhole(busy)).rejects.toThrow('faster');
});

const bytesOf = (size: number): Uint8Array =>
  Uint8Array.from({ length: size }, (_, i) => (i * 7 + (i >> 8)) & 255);

test.each([0, 1, 2, 3, 1000, 768 * 1024, 768 * 1024 + 1, 2_000_003])(
  'a source of %i bytes comes back as it was',
  async (size) => {
    const bytes = bytesOf(size);
    const sha = await sha256(bytes);
    await keepSource(sha, bytes);
    const back = await readSource(sha);
    expect(back?.length).toBe(size);
    expect(await sha256(back as Uint8Array)).toBe(sha);
    await dropSource(sha);
    expect(await readSource(sha)).toBeNull();
  },
);

test('a source that is not whole is none', async () => {
  const bytes = bytesOf(2_000_000);
  await keepSource('torn', bytes);
  await createAsyncStorage('marginalis-sources').removeItem('torn/00001');
  expect(await readSource('torn')).toBeNull();
  expect(await readSource('never')).toBeNull();
});

test('SHA-256 of "abc" is the published one (FIPS 180-4; from memory)', async () => {
  const abc = Uint8Array.from([97, 98, 99]);
  expect(await sha256(abc)).toBe(
    'ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad',
  );
});

const document = deskDocument({ scanned: true, workedAt: 2 });

test('a document on the shelf is found again; one that cannot be read is counted, not lost', async () => {
  await keepDocument(document);
  expect(await findDocument('d1')).toEqual(document);
  const shelf = createAsyncStorage('marginalis-shelf');
  await shelf.setItem('document/d2', '{"id":"d2","title":7}');
  await shelf.setItem('document/d3', 'not even JSON');
  expect(await readShelf()).toEqual({ documents: [document], unreadable: 2 });
  expect(await shelf.getItem('document/d2')).toContain('d2');
  await dropDocument('d1');
  expect(await findDocument('d1')).toBeNull();
});

test('settings come back; damaged or foreign ones give the first ones', async () => {
  expect(await readSettings()).toEqual(FIRST_SETTINGS);
  const mine = { ...FIRST_SETTINGS, hand: 'left' as const };
  await keepSettings(mine);
  expect(await readSettings()).toEqual(mine);
  const store = createAsyncStorage('marginalis-settings');
  for (const text of ['{', '{"roll":[],"hand":"left"}', '{"roll":[{"id":1}],"hand":"left"}']) {
    await store.setItem('settings', text);
    expect(await readSettings()).toEqual(FIRST_SETTINGS);
  }
});

test('links are kept with their document, unreadable ones are none', async () => {
  const link = {
    ...{ token: 't', ownerKey: 'k', expiresAt: 5, fileName: 'a.pdf' },
    ...{ locked: true, viewOnly: true, mayAnswer: true, answersTaken: 2, withdrawn: false },
  };
  await keepLinks('d1', [link]);
  expect(await readLinks('d1')).toEqual([link]);
  expect(await readLinks('d2')).toEqual([]);
  await createAsyncStorage('marginalis-settings').setItem('links/d1', '[{"token":3}]');
  expect(await readLinks('d1')).toEqual([]);
});

const left = (at: number) => ({
  ...{ at, documentId: 'd1', title: 'Tide log', fileName: 'Tide log – marked.pdf' },
  ...{ as: 'fixed' as const, how: 'link' as const, token: 't' },
});

test('what was sent is read the last first, also of two windows at one time', async () => {
  await Promise.all([keepSent(left(9)), keepSent(left(1_760_000_000_000)), keepSent(left(9))]);
  await createAsyncStorage('marginalis-sent').setItem('sent/0000000000000010-x', '{"at":"soon"}');
  expect((await readSent()).map(({ at }) => at)).toEqual([1_760_000_000_000, 9, 9]);
  expect((await readSent())[0]).toEqual(left(1_760_000_000_000));
});

test('of very much that was sent the oldest is forgotten', async () => {
  const store = createAsyncStorage('marginalis-sent');
  for (let at = 100; at < 640; at++)
    await store.setItem(`sent/${String(at).padStart(16, '0')}-a`, JSON.stringify(left(at)));
  await keepSent(left(700));
  const sent = await readSent();
  expect(sent.length).toBeLessThanOrEqual(500);
  expect(sent.map(({ at }) => at)).toContain(700);
  expect(sent.map(({ at }) => at)).not.toContain(100);
});
