import { AxeBuilder } from '@axe-core/playwright';
import { expect, type Page, test } from '@playwright/test';
import { annotatedPdf } from '../core/testing/annotatedPdf';
import { photograph } from '../core/testing/photographs';
import { circle, line, Pen } from './support/pen';
import {
  addFile,
  command,
  drawn,
  goToDocument,
  inkOn,
  kept,
  makeCopy,
  makeLink,
  openDesk,
  openMarks,
  placeOn,
  take,
} from './support/reader';

/** WCAG 2.2, levels A and AA. */
const LEVELS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];

/** The theme a screen is looked at in: one on each size of it. */
const theme = (): 'light' | 'dark' => (test.info().project.name === 'wide' ? 'light' : 'dark');

/**
 * What axe has against a screen, or against a sheet over it.
 * It takes the handles that a sheet covers for obstacles, so there the sizes of targets are left to the phone's tests.
 */
async function complaints(page: Page, sheet?: string): Promise<string[]> {
  await atRest(page);
  // In this page alone: a second one for what frames say takes half the time, and there are no frames.
  const axe = new AxeBuilder({ page }).setLegacyMode(true).withTags(LEVELS);
  if (sheet) axe.include(sheet).disableRules('target-size');
  return against(axe);
}

async function against(axe: AxeBuilder): Promise<string[]> {
  const { violations } = await axe.analyze();
  return violations.flatMap((v) =>
    v.nodes
      // How large a link of a document is, is the document's own (WCAG 2.2, 2.5.8: essential); fingers have more room, and zoom.
      .filter((n) => v.id !== 'target-size' || !n.html.includes('data-link'))
      .map((n) => `${v.id}: ${n.target.join(' ')} — ${n.failureSummary ?? ''}`),
  );
}

/** Waits until nothing that opens grows, slides or fades any more: a menu is small before it is large. */
async function atRest(page: Page): Promise<void> {
  await page.evaluate(
    () =>
      new Promise<void>((done) => {
        const look = (): string =>
          [
            ...document.querySelectorAll(
              '[role=menu], [role=menuitem], [role=dialog], [role=alert], [role=alert] *',
            ),
          ]
            .map((e) => {
              const { x, y, width, height } = e.getBoundingClientRect();
              return [x, y, width, height, getComputedStyle(e).opacity].join();
            })
            .join();
        let [last, same] = ['', 0];
        const frame = (): void => {
          const now = look();
          same = now === last ? same + 1 : 0;
          last = now;
          if (same < 12) requestAnimationFrame(frame);
          else done();
        };
        frame();
      }),
  );
}

async function drawCircle(page: Page): Promise<void> {
  const pen = await Pen.of(page);
  const [x, y] = await placeOn(page, 1, 0.5, 0.35);
  await pen.draw(circle(x, y, 40));
}

/** A column where there is room, a sheet on a phone. */
const LIST = '[role=complementary], [role=dialog]';

test.describe('every screen', () => {
  // Fading in, text has less contrast than it will have; so nothing fades.
  test.use({ contextOptions: { reducedMotion: 'reduce' } });
  test.beforeEach(({ page }) => page.emulateMedia({ colorScheme: theme() }));

  test('the desk', async ({ page }) => {
    await openDesk(page);
    expect(await complaints(page), 'desk').toEqual([]);
    await page.getByRole('button', { name: 'More about Tide log, scanned' }).click();
    expect(await complaints(page), 'desk menu').toEqual([]);
    await page.getByRole('menuitem', { name: 'Rename' }).click();
    expect(await complaints(page), 'rename').toEqual([]);
  });

  test('what others have written', async ({ page }) => {
    await openDesk(page);
    await addFile(page, 'How barnacles settle.pdf', await annotatedPdf());
    await expect(page.getByRole('button', { name: 'Take them up as marks' })).toBeVisible();
    expect(await complaints(page), 'what others have written').toEqual([]);
  });

  test('the reader', async ({ page }) => {
    await goToDocument(page, 'Rock-pool zones');
    await drawCircle(page);
    await expect(page.getByRole('button', { name: 'Take the circle' })).toBeVisible();
    expect(await complaints(page), 'reader with chip').toEqual([]);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: /^Fine pen/ }).click();
    expect(await complaints(page), 'instrument').toEqual([]);
    await page.keyboard.press('Escape');
    await page.keyboard.press('Shift+?');
    expect(await complaints(page), 'keys').toEqual([]);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Commands' }).click();
    expect(await complaints(page, '[role=dialog]'), 'commands').toEqual([]);
  });

  test('picked marks and the list of marks', async ({ page }) => {
    await goToDocument(page, 'Rock-pool zones');
    await drawCircle(page);
    await kept(page);
    await page.keyboard.press('Escape');
    await page.getByTestId('stage').focus();
    await page.keyboard.press('Control+a');
    expect(await complaints(page), 'picked').toEqual([]);
    await page.getByRole('button', { name: /^Change the/ }).click();
    expect(await complaints(page, '[role=complementary]'), 'look').toEqual([]);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: /^More for/ }).click();
    expect(await complaints(page, '[role=dialog]'), 'more').toEqual([]);
    await page.keyboard.press('Escape');
    await openMarks(page);
    await page.getByRole('button', { name: 'Filter' }).click();
    expect(await complaints(page, LIST), 'list of marks').toEqual([]);
    await page.keyboard.press('Escape');
    const chooser = page.waitForEvent('filechooser');
    await command(page, 'Put a picture on the page');
    const buffer = photograph(400, 240);
    await (await chooser).setFiles({ name: 'Shore.jpg', mimeType: 'image/jpeg', buffer });
    await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(9000);
    await command(page, /^Describe, crop and turn/);
    expect(await complaints(page, '[role=dialog]'), 'picture').toEqual([]);
  });

  test('about the document, how pages lie, and two places', async ({ page }) => {
    await goToDocument(page, 'How barnacles choose a rock');
    await page.getByTestId('stage').focus();
    await page.keyboard.press('i');
    await expect(page.getByRole('dialog')).toContainText('Text: its words');
    expect(await complaints(page, '[role=dialog]'), 'about').toEqual([]);
    await page.keyboard.press('Escape');
    await page.getByTestId('stage').focus();
    await page.keyboard.press('Shift+P');
    await page.keyboard.press('h');
    expect(await complaints(page), 'one page at a time').toEqual([]);
    if (test.info().project.name !== 'wide') return;
    await page.keyboard.press('Shift+P');
    await page.keyboard.press('d');
    await expect(page.getByRole('separator')).toBeVisible();
    expect(await complaints(page), 'two places').toEqual([]);
  });

  test('selected words', async ({ page }) => {
    await goToDocument(page, 'How barnacles choose a rock');
    await take(page, 'Word picker');
    const pen = await Pen.of(page);
    await pen.draw(line(await placeOn(page, 1, 0.2, 0.3), await placeOn(page, 1, 0.4, 0.34)));
    await expect(page.getByRole('group', { name: 'Selected words' })).toBeVisible();
    expect(await complaints(page), 'selected words').toEqual([]);
    await page.getByRole('button', { name: 'Add a note' }).click();
    const says = page.getByRole('textbox', { name: 'What the note says' });
    await says.fill('How long does it live there?');
    expect(await complaints(page), 'a note that is begun').toEqual([]);
    await page.getByRole('button', { name: 'Add the note' }).click();
    await expect(page.getByRole('article', { name: 'Note 1' })).toBeVisible();
    expect(await complaints(page), 'a note').toEqual([]);

    const card = page.getByRole('article', { name: 'Note 1' });
    const way = async (name: string): Promise<void> => {
      await card.getByRole('button', { name: /^More for remark 1/ }).click();
      await page.getByRole('menuitem', { name }).click();
    };
    await way('Make it a task');
    expect(await complaints(page), 'a task that is filled in').toEqual([]);
    await card.getByLabel('Until').fill('2020-05-01');
    await card.getByRole('button', { name: 'Keep' }).click();
    await way('Labels');
    await page.getByRole('textbox', { name: 'New label' }).fill('Tides');
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    expect(await complaints(page), 'labels').toEqual([]);
    await page.getByRole('button', { name: 'Done', exact: true }).click();
    await card.getByRole('button', { name: 'Answer' }).click();
    await card.getByRole('button', { name: 'Write with the pen' }).click();
    expect(await complaints(page), 'an answer that is written').toEqual([]);
    await card.getByRole('button', { name: 'Leave it' }).click();
    await page.getByRole('tab', { name: 'Tasks' }).click();
    await expect(page.getByText('1 task, 1 to do')).toBeVisible();
    expect(await complaints(page), 'tasks').toEqual([]);
    await command(page, 'What happened here');
    await expect(page.getByRole('button', { name: /wrote a note/ })).toBeVisible();
    expect(await complaints(page), 'what happened').toEqual([]);
  });

  test('text that is typed, and the sheet of symbols', async ({ page }) => {
    await goToDocument(page, 'Rock-pool zones');
    await page.keyboard.press('e');
    await expect(page.getByRole('textbox', { name: 'Text', exact: true })).toBeFocused();
    await page.keyboard.type('Ines Mara');
    expect(await complaints(page), 'a text').toEqual([]);
    await page.getByRole('button', { name: 'Symbols' }).click();
    await expect(page.getByRole('group', { name: 'Mathematics' })).toBeVisible();
    expect(await complaints(page, '[role=dialog]'), 'symbols').toEqual([]);
    await page.keyboard.press('Escape');
    await page.keyboard.press('Escape');
    await command(page, 'Put an equation on the page');
    const sheet = page.getByRole('dialog', { name: 'Equation' });
    await sheet.getByRole('textbox', { name: 'Equation in TeX' }).fill('\\frac{1}{\\fo}');
    await expect(sheet.getByText('There is no command \\fo.')).toBeVisible();
    expect(await complaints(page, '[role=dialog]'), 'equation').toEqual([]);
  });

  test('contents, search, and links', async ({ page }) => {
    await goToDocument(page, 'Course handbook');
    await page.getByTestId('stage').focus();
    await page.keyboard.press('b');
    await page.getByRole('textbox', { name: 'Title of the bookmark' }).press('Enter');
    const panel = page.locator('[role=dialog], [role=complementary]');
    await expect(panel.getByRole('link', { name: /^Bookmark, / })).toBeVisible();
    expect(await complaints(page, '[role=dialog], [role=complementary]'), 'contents').toEqual([]);
    await panel
      .getByRole('button', { name: /^Close/ })
      .first()
      .click();
    await page.getByTestId('stage').focus();
    await page.keyboard.press('Control+f');
    await page.getByRole('searchbox', { name: 'Search the document' }).fill('shore');
    await expect(page.locator('[data-hits]')).toHaveText(/hits$/);
    expect(await complaints(page, '[role=dialog], [role=complementary]'), 'search').toEqual([]);
    await panel
      .getByRole('button', { name: /^Close/ })
      .first()
      .click();
    await expect(page.getByRole('group', { name: 'Search for shore' })).toBeVisible();
    await page.getByTestId('stage').focus();
    await page.keyboard.press('PageDown');
    await expect(page.locator('[data-link]').first()).toBeAttached();
    expect(await complaints(page), 'hits and links').toEqual([]);
  });

  test('pages that are arranged', async ({ page }) => {
    await goToDocument(page, 'Course handbook');
    await command(page, 'Page table');
    const panel = page.locator('[role=dialog], [role=complementary]');
    await panel.getByRole('button', { name: 'Arrange' }).click();
    await panel.getByRole('checkbox', { name: 'Page ii' }).click();
    expect(await complaints(page, '[role=dialog], [role=complementary]'), 'pages').toEqual([]);
    await page.keyboard.press('Escape');
    for (const title of ['Crop pages …', 'Add pages of another document …', 'Room to write …']) {
      await command(page, title);
      await page.getByRole('dialog').last().getByRole('button', { name: 'Close' }).waitFor();
      expect(await complaints(page, '[role=dialog]'), title).toEqual([]);
      await page.keyboard.press('Escape');
    }
  });

  test('sending, and what a guest sees', async ({ page, browser }) => {
    await goToDocument(page, 'Rock-pool zones');
    await makeCopy(page);
    await makeLink(page);
    const address = await page.getByTestId('link').innerText();
    expect(await complaints(page, '[role=dialog]'), 'send').toEqual([]);
    const sheet = page.getByRole('dialog', { name: 'Send' });
    await sheet.getByLabel('Password for the link').fill('low tide at seven');
    await sheet.getByRole('button', { name: 'QR code' }).first().click();
    await makeLink(page);
    await expect(sheet.getByText('asks for a password')).toBeVisible();
    const locked = await sheet.getByTestId('link').first().innerText();
    await sheet.getByRole('radio', { name: 'E-mail' }).click();
    await sheet.getByRole('radio', { name: 'From here' }).click();
    await sheet.getByRole('switch', { name: 'Protect the copy' }).click();
    expect(await complaints(page, '[role=dialog]'), 'e-mail of a protected copy').toEqual([]);
    await sheet.getByRole('radio', { name: 'A link' }).click();
    await sheet.getByRole('radio', { name: 'View only' }).click();
    expect(await complaints(page, '[role=dialog]'), 'a link with a password').toEqual([]);
    await sheet.getByRole('radio', { name: 'Part of a page …' }).click();
    await expect(page.getByRole('group', { name: 'Part of a page' })).toBeVisible();
    expect(await complaints(page), 'a frame on a page').toEqual([]);
    await page.getByRole('button', { name: 'Take this part' }).click();
    await expect(sheet.getByRole('img', { name: 'Part of page 1 as it leaves' })).toBeVisible();
    expect(await complaints(page, '[role=dialog]'), 'a part to draw on').toEqual([]);
    await page.keyboard.press('Escape');
    await command(page, 'What was sent');
    await expect(page.getByRole('listitem').first()).toBeVisible();
    expect(await complaints(page, '[role=dialog]'), 'what was sent').toEqual([]);

    const context = await browser.newContext({ colorScheme: theme(), reducedMotion: 'reduce' });
    const guest = await context.newPage();
    await guest.goto(new URL(address).pathname);
    await drawn(guest, 1);
    expect(await complaints(guest), 'guest').toEqual([]);
    await guest.goto(new URL(locked).pathname);
    await guest.getByRole('textbox', { name: 'Password' }).fill('high tide');
    await guest.keyboard.press('Enter');
    await expect(guest.getByRole('alert')).toBeVisible();
    expect(await complaints(guest), 'a password that is asked for').toEqual([]);
    await guest.goto('/stand-ins/outbox');
    expect(await complaints(guest), 'outbox').toEqual([]);
    await guest.goto('/stand-ins/printer');
    expect(await complaints(guest), 'printer that stands in').toEqual([]);
    await guest.goto('/s/nothing');
    await expect(guest.getByRole('heading').first()).toBeVisible();
    expect(await complaints(guest), 'dead link').toEqual([]);
    await guest.goto('/read/nothing');
    await expect(guest.getByText('cannot be opened')).toBeVisible();
    expect(await complaints(guest), 'no document').toEqual([]);
    await context.close();
  });
});

test('the focus is visible wherever the Tab key leads', async ({ page }) => {
  await goToDocument(page, 'Rock-pool zones');
  const seen = new Set<string>();
  for (let i = 0; i < 24; i++) {
    await page.keyboard.press('Tab');
    const focus = await page.evaluate(() => {
      const e = document.activeElement as HTMLElement | null;
      if (!e || e === document.body) return null;
      const style = getComputedStyle(e);
      return {
        name: e.getAttribute('aria-label') ?? e.textContent ?? e.tagName,
        shown: style.outlineStyle !== 'none' && parseFloat(style.outlineWidth) >= 1,
      };
    });
    if (!focus) continue;
    seen.add(focus.name);
    expect(focus, focus.name).toMatchObject({ shown: true });
  }
  for (const name of ['Back to the desk', 'Commands']) expect([...seen]).toContain(name);
  expect(seen.size).toBeGreaterThan(10);
});

test('who asks for less movement gets menus and sheets without it', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await goToDocument(page, 'Rock-pool zones');
  await page.getByRole('button', { name: 'Commands' }).click();
  await expect(page.getByRole('option', { name: 'Fit page' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('option', { name: 'Fit page' })).toBeHidden();
});

test('a page is text for those who do not see it, with its headings and its marks', async ({
  page,
}) => {
  await goToDocument(page, 'How barnacles choose a rock');
  const text = page.getByRole('group', { name: 'Page 1', exact: true }).getByTestId('page-text');
  await expect(text.getByRole('heading', { name: 'How barnacles choose a rock' })).toBeAttached();
  await expect(text).toContainText(
    'An adult barnacle cannot walk away from a bad address. It is cemented to the rock by its forehead',
  );
  const order = (await text.textContent()) ?? '';
  expect(order.indexOf('A decision made once')).toBeLessThan(order.indexOf('Six feeding stages'));
  const pen = await Pen.of(page);
  await pen.draw(line(await placeOn(page, 1, 0.2, 0.05), await placeOn(page, 1, 0.3, 0.05)));
  const heading = text.getByRole('heading', { name: 'How barnacles choose a rock' });
  const mark = text.getByRole('note', { name: 'Mark' });
  await expect(mark).toHaveText(/^Pen stroke|^Ink|^Line/);
  // It is told where it stands: after the heading it was drawn beside.
  expect(await heading.evaluate((one) => one.nextElementSibling?.getAttribute('role'))).toBe(
    'note',
  );
});
