import { expect, type Page, test } from '@playwright/test';
import { line, Pen, wave } from './support/pen';
import {
  drawn,
  finishCopy,
  inkOn,
  kept,
  openDocument,
  openMarks,
  openWorksheet,
  placeOn,
} from './support/reader';
import { field, typeOnLine } from './support/typing';

test('a second tab reads along, takes the turn when asked, and nothing is overwritten', async ({
  page,
  context,
}) => {
  const pen = await openWorksheet(page);
  const [x, y] = await placeOn(page, 1, 0.2, 0.33);
  await pen.draw(wave(x, y, 200));
  await kept(page);
  const first = await inkOn(page, 1);

  const other = await context.newPage();
  await other.goto(page.url());
  await drawn(other, 1);
  await expect(other.getByText('Another tab is writing')).toBeVisible();
  await expect.poll(() => inkOn(other, 1)).toBe(first);
  const otherPen = await Pen.of(other);
  await otherPen.draw(line([x, y + 60], [x + 200, y + 60]));
  expect(await inkOn(other, 1)).toBe(first);

  await page.bringToFront();
  await pen.draw(line([x, y + 100], [x + 200, y + 100]));
  await kept(page);
  const second = await inkOn(page, 1);
  await other.bringToFront();
  await expect.poll(() => inkOn(other, 1)).toBe(second);

  await other.getByRole('button', { name: 'Write here instead' }).click();
  await expect(other.getByText('Another tab is writing')).toBeHidden();
  await otherPen.draw(line([x, y + 60], [x + 200, y + 60]));
  await kept(other);
  const third = await inkOn(other, 1);
  expect(third).toBeGreaterThan(second);
  await page.bringToFront();
  await expect(page.getByText('Another tab is writing')).toBeVisible();
  await expect.poll(() => inkOn(page, 1)).toBe(third);

  // The tab that writes dies; the one that waits takes over with everything there.
  await other.close();
  await expect(page.getByText('Another tab is writing')).toBeHidden();
  await expect.poll(() => inkOn(page, 1)).toBe(third);
});

/** Ends what a tab runs in, without a word. */
async function kill(page: Page): Promise<void> {
  const crash = await page.context().newCDPSession(page);
  const crashed = page.waitForEvent('crash');
  // Never answered: whoever could answer is gone.
  void crash.send('Page.crash').catch(() => undefined);
  await crashed;
}

test('a tab killed in the middle of a stroke loses that stroke and no other', async ({
  page,
  context,
}) => {
  const pen = await openWorksheet(page);
  const [x, y] = await placeOn(page, 1, 0.2, 0.33);
  for (let i = 0; i < 5; i++) await pen.draw(line([x, y + 15 * i], [x + 150, y + 15 * i]));
  await kept(page);
  const ink = await inkOn(page, 1);
  const address = page.url();
  await pen.draw(line([x, y + 90], [x + 150, y + 90]), { hold: true });
  await kill(page);
  const again = await context.newPage();
  await again.goto(address);
  await drawn(again, 1);
  await expect.poll(() => inkOn(again, 1)).toBe(ink);
  await expect(again.getByRole('button', { name: 'Undo' })).toBeEnabled();
});

test('a tab killed while a word is typed loses that word at most; another takes the turn, and what is typed is there', async ({
  page,
  context,
}) => {
  await typeOnLine(page);
  await page.keyboard.type('zones of limpets above the ki', { delay: 40 });
  const address = page.url();
  await kill(page);
  const again = await context.newPage();
  await again.goto(address);
  await drawn(again, 1);
  const typed = (tab: Page, text: string) =>
    expect(
      tab.getByRole('button', { name: new RegExp(`^Go to Text, .*, ${text}$`) }),
    ).toBeVisible();
  await openMarks(again);
  await typed(again, 'zones of limpets above the');

  const other = await context.newPage();
  await other.goto(address);
  await drawn(other, 1);
  await other.getByRole('button', { name: 'Write here instead' }).click();
  await expect(other.getByText('Another tab is writing')).toBeHidden();
  await other.getByTestId('stage').focus();
  await other.keyboard.press('e');
  await expect(field(other)).toBeFocused();
  await other.keyboard.type('Teo');
  // Its turn is taken in the middle of a word.
  await again.getByRole('button', { name: 'Write here instead' }).click();
  await expect(field(other)).toBeHidden();
  await typed(again, 'Teo');
});

/** Has storage refuse whatever is put, until {@link allowStorage}. */
async function refuseStorage(page: Page): Promise<void> {
  await page.evaluate(() => {
    const real = IDBObjectStore.prototype.put;
    const w = window as unknown as { refuse: boolean };
    w.refuse = true;
    IDBObjectStore.prototype.put = function put(this: IDBObjectStore, ...args: [unknown]) {
      if (w.refuse) throw new DOMException('full', 'QuotaExceededError');
      return real.apply(this, args);
    };
  });
}

const allowStorage = (page: Page): Promise<void> =>
  page.evaluate(() => {
    (window as unknown as { refuse: boolean }).refuse = false;
  });

test('when storage refuses, it is said, nothing is lost, and it can be tried again', async ({
  page,
}) => {
  const pen = await openWorksheet(page);
  const [x, y] = await placeOn(page, 1, 0.2, 0.33);
  await refuseStorage(page);
  await pen.draw(wave(x, y, 200));
  await expect(page.getByText('not stored yet')).toBeVisible();
  await expect(page.getByTestId('saving')).toHaveAttribute('data-saving', 'unkept');
  const ink = await inkOn(page, 1);
  expect(ink).toBeGreaterThan(100);
  await allowStorage(page);
  await page.getByRole('button', { name: 'Try again' }).click();
  await kept(page);
  await page.reload();
  await drawn(page, 1);
  await expect.poll(() => inkOn(page, 1)).toBe(ink);
});

test('leaving with changes that storage refuses is asked about; they are held, and stored once it takes them', async ({
  page,
}) => {
  const pen = await openWorksheet(page);
  const [x, y] = await placeOn(page, 1, 0.2, 0.33);
  await refuseStorage(page);
  await pen.draw(wave(x, y, 200));
  await expect(page.getByTestId('saving')).toHaveAttribute('data-saving', 'unkept');
  const ink = await inkOn(page, 1);

  await page.getByRole('button', { name: 'Back to the desk' }).click();
  const asked = page.getByRole('dialog', { name: 'Some changes are not stored' });
  await asked.getByRole('button', { name: 'Stay here' }).click();
  await expect(asked).toBeHidden();
  await page.getByRole('button', { name: 'Back to the desk' }).click();
  await asked.getByRole('button', { name: 'Send a copy' }).click();
  await finishCopy(page);
  await page.getByRole('button', { name: 'Close', exact: true }).click();

  await page.getByRole('button', { name: 'Back to the desk' }).click();
  await asked.getByRole('button', { name: 'Leave all the same' }).click();
  const held = page.getByText('“Rock-pool zones” has changes');
  await expect(held).toBeVisible();
  // Closing the tab now would lose them: the browser asks.
  let askedToStay = false;
  page.once('dialog', (dialog) => {
    askedToStay = dialog.type() === 'beforeunload';
    void dialog.dismiss();
  });
  await page.close({ runBeforeUnload: true });
  await expect.poll(() => askedToStay).toBe(true);

  await page.getByRole('button', { name: 'Open it' }).click();
  await drawn(page, 1);
  await expect.poll(() => inkOn(page, 1)).toBe(ink);
  await expect(page.getByTestId('saving')).toHaveAttribute('data-saving', 'unkept');
  await allowStorage(page);
  // It tries again by itself.
  await expect(page.getByTestId('saving')).toHaveAttribute('data-saving', 'kept', {
    timeout: 40_000,
  });
  await page.getByRole('button', { name: 'Back to the desk' }).click();
  await expect(held).toBeHidden();
  await openDocument(page, 'Rock-pool zones');
  await expect.poll(() => inkOn(page, 1)).toBe(ink);
});
