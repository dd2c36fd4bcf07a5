import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { emptyDocument, type Transaction } from '@marginalis/core/document';
import { addNote } from '@marginalis/core/editing';
import { encodeRecord } from '@marginalis/core/journal';
import type { Page } from '@playwright/test';
import { inBrowser } from './inBrowser';
import { FRAME_MARK, type FrameWork, recordTasks } from './mainThread';
import { median, quantile } from './report';
import { BASE } from './server';

/** A document with hundreds of notes: what a frame of scrolling costs while their cards go along, beside the same without them. */

const TITLE = 'Course handbook';
const FILE = 'demo/documents/handbook.pdf';
const NOTES = 500;
/** So many of them on the page that is scrolled over first. */
const ON_ONE = 50;
const PAGES = 39;
const SECONDS = 8;
const ROUNDS = 3;
/** A frame of 60 Hz, ms. */
const FRAME = 1000 / 60;
const STYLE = { colour: '#1b1b1d', width: 1.2, opacity: 1 };

/** Notes as the document's journal keeps them: a crowd on the third page, the others spread over all. */
function journalOfNotes(): string {
  const source = createHash('sha256').update(readFileSync(FILE)).digest('hex').slice(0, 12);
  const noted = Array.from({ length: NOTES }, (_, k): Transaction | null => {
    const page = k < ON_ONE ? 2 : (k * 7) % PAGES;
    const at = { x: 80 + ((k * 37) % 430), y: 90 + ((k * 53) % 660) };
    const text = `Remark ${k + 1}: is this seen on our shore too, or only where the tide is high?`;
    const about = { page: `${source}-${page}`, at };
    return addNote(emptyDocument([]), {
      id: `note ${k}`,
      about,
      text,
      style: STYLE,
      author: 'Teo',
      madeAt: k,
    });
  });
  const changes = noted.flatMap((one) => one?.changes ?? []);
  return encodeRecord({
    seq: 1,
    client: 'bench',
    act: 'do',
    transaction: { label: 'Add notes', changes },
  });
}

/** Puts a record into the journal of a document that is closed. */
async function putRecord(page: Page, id: string, record: string): Promise<void> {
  await page.evaluate(
    ([name, line]) =>
      new Promise<void>((done, failed) => {
        const asked = indexedDB.open(name);
        asked.onerror = () => failed(asked.error);
        asked.onsuccess = () => {
          const put = asked.result.transaction('entries', 'readwrite');
          put.objectStore('entries').put(line, 'record/000000000001');
          put.oncomplete = () => {
            asked.result.close();
            done();
          };
          put.onerror = () => failed(put.error);
        };
      }),
    [`marginalis-journal-${id}`, record] as const,
  );
}

/** Scrolls over the pages by the wheel's steps, one each frame. */
async function scroll(page: Page): Promise<FrameWork[]> {
  const recorder = await recordTasks(page);
  await page.evaluate(
    ([seconds, mark]) =>
      new Promise<void>((done) => {
        const stage = document.querySelector('[data-testid=stage]');
        if (!stage) throw new Error('There are no pages.');
        const start = performance.now();
        const frame = (now: number): void => {
          performance.mark(mark);
          const deltaY = Math.sin((now - start) / 1200) > -0.3 ? 24 : -24;
          stage.dispatchEvent(new WheelEvent('wheel', { deltaY, bubbles: true, cancelable: true }));
          if (now - start < 1000 * seconds) requestAnimationFrame(frame);
          else setTimeout(done, 300);
        };
        requestAnimationFrame(frame);
      }),
    [SECONDS, FRAME_MARK] as const,
  );
  return recorder.stop();
}

export function notesTable(): Promise<string> {
  return inBrowser(async (context) => {
    const page = await context.newPage();
    await page.goto(BASE);
    const open = async (): Promise<void> => {
      await page.getByRole('button', { name: `Open ${TITLE}` }).click({ timeout: 60_000 });
      await page.locator('[data-page="1"][data-drawn]').waitFor();
    };
    await open();
    const id = new URL(page.url()).pathname.split('/').pop() ?? '';
    await page.getByRole('button', { name: 'Back to the desk' }).click();
    await page.waitForTimeout(2000);
    await putRecord(page, id, journalOfNotes());
    await open();
    const toCrowd = async (): Promise<void> => {
      await page.getByRole('textbox', { name: /^Page, / }).fill('1');
      await page.keyboard.press('Enter');
      await page.waitForTimeout(3000);
    };
    await toCrowd();
    const rounds: Record<'without' | 'with', FrameWork[][]> = { without: [], with: [] };
    for (let i = 0; i < ROUNDS; i++) {
      rounds.without.push(await scroll(page));
      await toCrowd();
    }
    const began = Date.now();
    await page.getByTestId('stage').focus();
    await page.keyboard.press('Shift+A');
    await page.getByText(`${NOTES} notes, ${NOTES} open`).waitFor();
    const opened = Date.now() - began;
    await toCrowd();
    for (let i = 0; i < ROUNDS; i++) {
      rounds.with.push(await scroll(page));
      await toCrowd();
    }
    const row = (name: 'without' | 'with', said: string): string => {
      const ofRounds = rounds[name].map((frames) => frames.map((f) => f.processor));
      const at = (share: number): string =>
        `${median(ofRounds.map((all) => quantile(all, share))).toFixed(1)} ms`;
      const late = ofRounds.flat().filter((time) => time > FRAME).length;
      return `| ${said} | ${ofRounds.flat().length} | ${at(0.5)} | ${at(0.99)} | ${late} |`;
    };
    return [
      `| scrolling over ${NOTES} notes, ${ON_ONE} on the first of the pages | frames | on a processor: median | 99th percentile | longer than a frame of 60 Hz |`,
      '|---|---:|---:|---:|---:|',
      row('without', 'reference: their signs only, the column closed'),
      row('with', 'their cards beside the pages'),
      '',
      `From the key to the cards ${opened} ms.`,
    ].join('\n');
  });
}
