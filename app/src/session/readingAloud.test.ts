import type { Page } from '@marginalis/core/document';
import { plainPage } from '@marginalis/core/geometry';
import { EMPTY_PRINT, type Print, readPrint } from '@marginalis/core/print';
import type { Heard, Speech } from '@/work';
import { pageRefsFor } from '../../../core/testing/marks';
import { column, rawPrint } from '../../../core/testing/print';
import { ReadingAloud, timeOnWord } from './readingAloud';
import { useSettings } from './settings';
import type { SourcePrint } from './sourcePrint';

const pages: Page[] = pageRefsFor(Array.from({ length: 3 }, () => plainPage(400, 800)));
const PRINTS: Print[] = [
  readPrint(
    rawPrint(column(['Tides turn. The moon', 'pulls at wa-', 'ter. So it goes.'], 50, 700)),
  ),
  EMPTY_PRINT,
  readPrint(rawPrint(column(['Last page.'], 50, 700))),
];

/** A voice that says nothing: the test says what is heard of it. */
class StandIn implements Speech {
  readonly said: { text: string; heard: Heard; stopped: boolean }[] = [];
  constructor(private readonly count = 1) {}
  voices = () =>
    Array.from({ length: this.count }, (_, k) => ({
      id: `${k}`,
      name: 'Stand-in',
      language: 'en',
    }));
  onVoices = () => () => undefined;
  say(text: string, _how: unknown, heard: Heard): () => void {
    const one = { text, heard, stopped: false };
    this.said.push(one);
    return () => {
      one.stopped = true;
    };
  }
  get last() {
    return this.said[this.said.length - 1];
  }
}

const told: string[] = [];
function reading(speech: StandIn, printOf = async (page: Page) => PRINTS[pages.indexOf(page)]) {
  told.length = 0;
  const print = { of: printOf } as unknown as SourcePrint;
  return new ReadingAloud(
    print,
    () => pages,
    speech,
    (message) => told.push(message),
  );
}
const START = { page: 0, place: 0 };
const settle = async (): Promise<void> => {
  for (let n = 0; n < 20; n++) await Promise.resolve();
};
const wordOf = (aloud: ReadingAloud): string | null => {
  const { at } = aloud.store.getState();
  return at?.word ? at.print.text.slice(at.word.from, at.word.to) : null;
};

test('it says one sentence after the other, whole words, and goes on over pages without any', async () => {
  const speech = new StandIn();
  const aloud = reading(speech);
  await aloud.start('voice', START);
  for (const text of ['Tides turn.', 'The moon pulls at water.', 'So it goes.', 'Last page.']) {
    expect(speech.last.text).toBe(text);
    speech.last.heard.done();
    await settle();
  }
  expect(aloud.store.getState().way).toBeNull();
  expect(speech.said).toHaveLength(4);
});

test('the word that is said is known, also behind the end of a line; a voice may tell nothing', async () => {
  const speech = new StandIn();
  const aloud = reading(speech);
  await aloud.start('voice', { page: 0, place: 12 });
  expect(wordOf(aloud)).toBeNull();
  speech.last.heard.word(9);
  expect(wordOf(aloud)).toBe('pulls');
  speech.last.heard.word(20);
  expect(wordOf(aloud)).toBe('ter.');
});

test('it holds, goes on with its sentence, and steps back and forth over the ends of pages', async () => {
  const speech = new StandIn();
  const aloud = reading(speech);
  await aloud.start('voice', START);
  aloud.toggle();
  expect(speech.last.stopped).toBe(true);
  expect(aloud.store.getState().going).toBe(false);
  await aloud.step(1);
  expect(speech.said).toHaveLength(1);
  aloud.toggle();
  expect(speech.last.text).toBe('The moon pulls at water.');
  await aloud.step(1);
  await aloud.step(1);
  expect(speech.last.text).toBe('Last page.');
  await aloud.step(-1);
  expect(speech.last.text).toBe('So it goes.');
  aloud.stop();
  expect(speech.last.stopped).toBe(true);
});

test('a selection is read to its end and no farther', async () => {
  const speech = new StandIn();
  const aloud = reading(speech);
  const to = PRINTS[0].text.indexOf('\npulls');
  await aloud.start('voice', { page: 0, place: 6 }, { page: 0, place: to });
  expect(speech.last.text).toBe('turn.');
  speech.last.heard.done();
  await settle();
  expect(speech.last.text).toBe('The moon');
  speech.last.heard.done();
  await settle();
  expect(aloud.store.getState().way).toBeNull();
});

test('without a voice it says so, and the pacer leads over the same words at its speed', async () => {
  jest.useFakeTimers();
  useSettings.setState({ reading: { voice: '', pace: 1, wordsPerMinute: 300 } });
  const aloud = reading(new StandIn(0));
  const started = aloud.start('voice', START);
  await jest.advanceTimersByTimeAsync(1000);
  await started;
  const { voiceless, way } = aloud.store.getState();
  expect(way).toBeNull();
  expect(voiceless).toEqual({ from: START, until: null });
  await aloud.start('pacer', START);
  expect(wordOf(aloud)).toBe('Tides');
  await jest.advanceTimersByTimeAsync(timeOnWord(5, 300) + 1);
  expect(wordOf(aloud)).toBe('turn.');
  await jest.advanceTimersByTimeAsync(60_000);
  expect(aloud.store.getState().way).toBeNull();
  jest.useRealTimers();
});

test('the pacer takes a minute for as many words of usual length as it is set to', () => {
  expect(220 * timeOnWord(5, 220)).toBeCloseTo(60_000);
  expect(timeOnWord(1, 220)).toBeGreaterThan(timeOnWord(5, 220) / 3);
});

test('what cannot be read is said, and a document that is left falls silent', async () => {
  const speech = new StandIn();
  const broken = reading(speech, async () => Promise.reject(new Error('It is damaged.')));
  await broken.start('voice', START);
  expect(told).toContain('It is damaged.');
  let give: (print: Print) => void = () => undefined;
  const slow = reading(speech, () => new Promise((resolve) => (give = resolve)));
  const started = slow.start('voice', START);
  await settle();
  slow.stop();
  give(PRINTS[0]);
  await started;
  expect(speech.said).toHaveLength(0);
  expect(slow.store.getState().way).toBeNull();
});
