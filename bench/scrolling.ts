import type { Page } from '@playwright/test';
import { FRAME_MARK, type FrameWork, recordTasks } from './mainThread';
import { median, quantile } from './report';

/** How long is scrolled at a time. */
const SECONDS = 8;
/** A frame of 60 Hz, ms. */
const FRAME = 1000 / 60;

/** Puts a record into the journal of a document that is closed. */
export async function putRecord(page: Page, id: string, record: string): Promise<void> {
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
export async function scroll(page: Page): Promise<FrameWork[]> {
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

/** A row of a table: frames, the median and the 99th percentile of rounds on a processor, and how many were longer than a frame of 60 Hz. */
export function scrollRow(rounds: readonly (readonly FrameWork[])[], said: string): string {
  const ofRounds = rounds.map((frames) => frames.map((f) => f.processor));
  const at = (share: number): string =>
    `${median(ofRounds.map((all) => quantile(all, share))).toFixed(1)} ms`;
  const late = ofRounds.flat().filter((time) => time > FRAME).length;
  return `| ${said} | ${ofRounds.flat().length} | ${at(0.5)} | ${at(0.99)} | ${late} |`;
}
