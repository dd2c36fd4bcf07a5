import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type BrowserContext, chromium, expect, type Page, test } from '@playwright/test';
import { seededRandom } from '../core/testing/seededRandom';
import { Pen, wave } from './support/pen';
import { drawn, kept, openDesk, openDocument } from './support/reader';

/** Moments at which everything ends: a few in every run; KILLS=200 npx playwright test kills for more. */
const MOMENTS = Number(process.env.KILLS ?? 6);
const SEED = Number(process.env.KILLS_SEED ?? 1);
const ENDS = ['the page is closed', 'the renderer crashes', 'the browser is killed'] as const;

/** Has storage refuse a share of what it is asked to put. */
function refuseAtTimes(share: number): void {
  const put = IDBObjectStore.prototype.put;
  IDBObjectStore.prototype.put = function refusing(this: IDBObjectStore, ...args: [unknown]) {
    const isJournal = this.transaction.db.name.includes('marginalis-journal');
    if (isJournal && Math.random() < share) throw new DOMException('full', 'QuotaExceededError');
    return put.apply(this, args);
  };
}

test(`nothing that was said to be kept is lost at ${MOMENTS} random moments, with storage refusing at times`, async ({
  baseURL,
}, { project }) => {
  test.setTimeout(120_000 + 30_000 * MOMENTS);
  const random = seededRandom(SEED);
  const profile = mkdtempSync(join(tmpdir(), 'kills-'));
  const launch = (): Promise<BrowserContext> =>
    chromium.launchPersistentContext(profile, {
      ...project.use.launchOptions,
      baseURL,
      viewport: { width: 1280, height: 800 },
    });
  /** Marks that are there for certain, and those written since that may or may not be. */
  let sure = 0;
  let atMost = 0;
  const ended: Record<string, number> = {};
  let context = await launch();
  try {
    const first = await context.newPage();
    await openDesk(first);
    await openDocument(first, 'Rock-pool zones');
    const address = first.url();
    await first.close();

    for (let moment = 0; moment < MOMENTS; moment++) {
      const page = await context.newPage();
      const refuses = random() < 0.4;
      if (refuses) await page.addInitScript(refuseAtTimes, 0.3);
      await page.goto(address);
      await drawn(page, 1);
      const there = await countMarks(page);
      expect(there, `after moment ${moment}`).toBeGreaterThanOrEqual(sure);
      expect(there, `after moment ${moment}`).toBeLessThanOrEqual(atMost);
      sure = atMost = there;

      const end = ENDS[Math.floor(random() * ENDS.length)];
      const after = 100 + 2500 * random();
      let over = false;
      const ending = new Promise<void>((resolve) => setTimeout(resolve, after)).then(async () => {
        over = true;
        if (end === ENDS[0]) await page.close();
        else if (end === ENDS[1]) {
          const cdp = await context.newCDPSession(page);
          const crashed = page.waitForEvent('crash');
          // Never answered: whoever could answer is gone.
          void cdp.send('Page.crash').catch(() => undefined);
          await crashed;
          await page.close();
        } else execFileSync('pkill', ['-KILL', '-f', profile]);
      });
      const writing = write(
        page,
        () => over,
        moment,
        (isKept) => {
          atMost++;
          if (isKept) sure = atMost;
        },
      );
      await Promise.all([ending, writing]);
      ended[end] = (ended[end] ?? 0) + 1;
      if (end === ENDS[2]) {
        await context.close().catch(() => undefined);
        context = await launch();
      }
    }
    const last = await context.newPage();
    await last.goto(address);
    await drawn(last, 1);
    expect(await countMarks(last)).toBeGreaterThanOrEqual(sure);
    await kept(last);
    console.log(`${sure} marks were said to be kept and are there; ${JSON.stringify(ended)}`);
  } finally {
    await context.close().catch(() => undefined);
    rmSync(profile, { recursive: true, force: true });
  }
});

/** Writes stroke after stroke until the end; tells of each whether "Kept" stood there after it. */
async function write(
  page: Page,
  isOver: () => boolean,
  row: number,
  onStroke: (isKept: boolean) => void,
): Promise<void> {
  try {
    const pen = await Pen.of(page);
    for (let i = 0; !isOver(); i++) {
      const at = { x: 330 + 60 * (i % 9), y: 120 + 12 * ((7 * row + i) % 50) };
      await pen.draw(wave(at.x, at.y, 40, 4, 12), { pause: 2 });
      // Nothing is said to be kept while a stroke is in hand or being finished: this one is among what is.
      onStroke((await page.getByTestId('saving').getAttribute('data-saving')) === 'kept');
    }
  } catch (e) {
    // Whatever is asked of a page or browser that has ended fails; that is the point. One stroke may be in it.
    if (!isOver()) throw e;
    onStroke(false);
  }
}

/** How many marks the list shows. */
async function countMarks(page: Page): Promise<number> {
  const text = page.locator('[data-marks]');
  // A tab that was killed while the list stood there comes back with it.
  const list = page.getByRole('complementary', { name: 'Marks' });
  if (!(await list.isVisible())) await page.keyboard.press('l');
  await expect(text).toBeVisible();
  await expect(page.getByText('Another tab is writing')).toBeHidden();
  const count = Number((await text.getAttribute('data-marks')) ?? 0);
  await page.keyboard.press('l');
  return count;
}
