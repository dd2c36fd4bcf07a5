import type { JournalStore } from '../src/journal/index.ts';

/** What every place a journal can be kept in must do; run by each adapter's tests. */
export function journalStoreContract(create: () => Promise<JournalStore> | JournalStore): void {
  test('what is put is read back, the last put under a name counts', async () => {
    const store = await create();
    await store.put([
      ['a', 'one'],
      ['b', 'two'],
    ]);
    await store.put([['a', 'three']]);
    expect(await store.readAll()).toEqual(
      new Map([
        ['a', 'three'],
        ['b', 'two'],
      ]),
    );
  });

  test('what is removed is gone; removing what is not there does nothing', async () => {
    const store = await create();
    await store.put([
      ['a', 'one'],
      ['b', 'two'],
    ]);
    await store.remove(['a', 'never']);
    expect([...(await store.readAll()).keys()]).toEqual(['b']);
    await store.remove([]);
    await store.put([]);
    expect((await store.readAll()).size).toBe(1);
  });

  test('a new store is empty, and long texts and odd characters survive', async () => {
    const store = await create();
    expect((await store.readAll()).size).toBe(0);
    const text = `{"é":"☃ \u0000 \\n"}`.repeat(20_000);
    await store.put([['record/000000000001', text]]);
    expect((await store.readAll()).get('record/000000000001')).toBe(text);
  });
}
