import { EMPTY_PRINT } from '@marginalis/core/print';
import { createPrintWorker } from './createWorker';
import { type PrintReply, PrintReader, type PrintRequest } from './printReader';

jest.mock('./createWorker');

/** A worker whose answers the test gives. */
class Stand {
  onmessage: ((e: { data: PrintReply }) => void) | null = null;
  onerror: ((e: { preventDefault(): void }) => void) | null = null;
  terminated = false;
  readonly asked: PrintRequest[] = [];
  postMessage(request: PrintRequest): void {
    this.asked.push(request);
    setTimeout(() => this.reply(request));
  }
  terminate(): void {
    this.terminated = true;
  }
  protected reply({ id, ask }: PrintRequest): void {
    const print = { ...EMPTY_PRINT, text: ask.is === 'page' ? `page ${ask.page}` : '' };
    const answer: PrintReply['answer'] =
      ask.is === 'open' ? { ok: true, pageCount: 900, isTagged: false } : { ok: true, print };
    this.onmessage?.({ data: { id, answer } });
  }
}
class Refusing extends Stand {
  protected override reply({ id }: PrintRequest): void {
    this.onmessage?.({ data: { id, answer: { ok: false, message: 'It is damaged.' } } });
  }
}
class Dying extends Stand {
  protected override reply(): void {
    this.onerror?.({ preventDefault: () => undefined });
  }
}

const made: Stand[] = [];
function standBy(Kind: new () => Stand): PrintReader {
  made.length = 0;
  (createPrintWorker as jest.Mock).mockImplementation(() => {
    const stand = new Kind();
    made.push(stand);
    return stand;
  });
  return new PrintReader(async () => new Uint8Array([1]));
}
const pagesAsked = (): number[] =>
  made.flatMap(({ asked }) => asked.flatMap(({ ask }) => (ask.is === 'page' ? [ask.page] : [])));

test('nothing is read before it is asked for; a page is read once and kept', async () => {
  const reader = standBy(Stand);
  expect(made).toHaveLength(0);
  expect(reader.known(3)).toBeNull();
  const [one, same] = await Promise.all([reader.page(3), reader.page(3)]);
  expect(one.text).toBe('page 3');
  expect(same).toBe(one);
  expect(reader.known(3)).toBe(one);
  await reader.page(4);
  expect(made).toHaveLength(1);
  expect(pagesAsked()).toEqual([3, 4]);
});

test('pages that were not asked for lately are let go of', async () => {
  const reader = standBy(Stand);
  for (let page = 0; page < 60; page++) {
    await reader.page(page);
    await reader.page(0);
  }
  expect(reader.known(0)).not.toBeNull();
  expect(reader.known(1)).toBeNull();
  expect(reader.known(59)).not.toBeNull();
});

test('a document that cannot be read says why, and is tried again when it is asked again', async () => {
  const reader = standBy(Refusing);
  await expect(reader.page(0)).rejects.toThrow('It is damaged.');
  await expect(reader.page(0)).rejects.toThrow('It is damaged.');
  expect(made).toHaveLength(2);
  expect(made[0].terminated).toBe(true);
  expect(reader.known(0)).toBeNull();
});

test('a worker that dies is a failure in words, and another takes its place', async () => {
  const reader = standBy(Dying);
  await expect(reader.page(0)).rejects.toThrow('Reading the print broke off');
  expect(made[0].terminated).toBe(true);
  await expect(reader.page(0)).rejects.toThrow('Reading the print broke off');
  expect(made).toHaveLength(2);
});

test('silence is death: a page that takes for ever ends the worker, and the next one has another', async () => {
  class Silent extends Stand {
    protected override reply(request: PrintRequest): void {
      if (request.ask.is === 'open') super.reply(request);
    }
  }
  const reader = standBy(Silent);
  jest.useFakeTimers();
  const page = reader.page(0);
  const said = expect(page).rejects.toThrow('Reading the print broke off');
  await jest.advanceTimersByTimeAsync(30_000);
  await said;
  jest.useRealTimers();
  expect(made[0].terminated).toBe(true);
});

test('bytes that are gone are said to be; closing ends the worker and what waits', async () => {
  standBy(Stand);
  let there: Uint8Array | null = null;
  const gone = new PrintReader(async () => there);
  await expect(gone.page(0)).rejects.toThrow('no longer in the browser’s storage');
  there = new Uint8Array([1]);
  expect((await gone.page(0)).text).toBe('page 0');
  const reader = standBy(Stand);
  await reader.page(0);
  const waiting = reader.page(1);
  reader.close();
  await expect(waiting).rejects.toThrow('The document was closed.');
  expect(made[0].terminated).toBe(true);
});

/** Tells of a search page by page when the test says so. */
class Searching extends Stand {
  readonly searches: number[] = [];
  protected override reply(request: PrintRequest): void {
    if (request.ask.is === 'search') this.searches.push(request.id);
    else super.reply(request);
  }
  tell(id: number, read: number, done = false): void {
    const found = [{ page: read - 1, hits: [], more: 1, wordless: false }];
    this.onmessage?.({ data: { id, answer: { ok: true, found, read, of: 900, done } } });
  }
}

test('a search tells what it finds as it goes on, and other pages are read meanwhile', async () => {
  const reader = standBy(Searching);
  const told: number[] = [];
  const search = reader.search({ term: 'tide', how: {}, first: 0 }, ({ read }) => told.push(read));
  expect((await reader.page(3)).text).toBe('page 3');
  const [stand] = made as Searching[];
  const [id] = stand.searches;
  stand.tell(id, 1);
  stand.tell(id, 2);
  expect(told).toEqual([1, 2]);
  stand.tell(id, 3, true);
  await search;
  expect(told).toEqual([1, 2, 3]);
});

test('a search that breaks off says so', async () => {
  await expect(
    standBy(Refusing).search({ term: 'tide', how: {}, first: 0 }, () => undefined),
  ).rejects.toThrow('It is damaged.');
  const reader = standBy(Searching);
  const search = reader.search({ term: 'tide', how: {}, first: 0 }, () => undefined);
  await reader.page(1);
  made[0].onerror?.({ preventDefault: () => undefined });
  await expect(search).rejects.toThrow('broke off');
});
