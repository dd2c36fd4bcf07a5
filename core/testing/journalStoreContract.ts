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

  test('a read while entries go into another sees them or it, never neither', async () => {
    for (let round = 0; round < 12; round++) {
      const store = await create();
      const names = Array.from({ length: 12 }, (_, i) => `record/${round}/${i}`);
      await store.put(names.map((name) => [name, 'loose']));
      const reads: Promise<ReadonlyMap<string, string>>[] = [];
      const bundle = async (): Promise<void> => {
        for (let i = 0; i < round; i++) await Promise.resolve();
        await store.put([[`bundle/${round}`, 'all']]);
        await store.remove(names);
      };
      const bundling = bundle();
      for (let i = 0; i < 6; i++) {
        reads.push(store.readAll());
        await new Promise((resolve) => setTimeout(resolve, i % 2));
      }
      await bundling;
      for (const seen of await Promise.all(reads)) {
        const all = names.every((name) => seen.has(name)) || seen.has(`bundle/${round}`);
        expect([...seen.keys(), all].at(-1)).toBe(true);
      }
    }
  });

  test('a new store is empty, and long texts and odd characters survive', async () => {
    const store = await create();
    expect((await store.readAll()).size).toBe(0);
    const text = `{"é":"☃ \u0000 \\n"}`.repeat(20_000);
    await store.put([['record/000000000001', text]]);
    expect((await store.readAll()).get('record/000000000001')).toBe(text);
  });
}
