import { expect, test } from '@playwright/test';
import { command, goToDocument, placeOn, take } from './support/reader';
import { Pen } from './support/pen';

test('a word is looked up in its base form, also without the server when it was before; outside only where an address is set', async ({
  page,
}) => {
  await goToDocument(page, 'How barnacles choose a rock');
  const pen = await Pen.of(page);
  await take(page, 'Word picker');
  const at = await placeOn(page, 1, 0.26, 0.188);
  const lookUp = async (): Promise<void> => {
    // Two taps that come too late after one another choose no word; on a busy machine they may.
    const more = page.getByRole('button', { name: 'More for these words' });
    await expect(async () => {
      for (let n = 0; n < 2; n++) await pen.draw([at, at]);
      await expect(more).toBeVisible({ timeout: 2_000 });
    }).toPass();
    await more.click();
    await page.getByRole('menuitem', { name: 'Meaning' }).click();
  };
  const sheet = page.getByRole('dialog', { name: 'barnacle' });
  await lookUp();
  await expect(sheet.getByRole('heading', { name: 'barnacle, noun' })).toBeVisible();
  await expect(sheet).toContainText('crustaceans');
  await expect(sheet.getByRole('button', { name: 'Search the web for it' })).toHaveCount(0);
  await page.keyboard.press('Escape');
  await expect(sheet).toBeHidden();

  await command(page, 'Settings');
  const address = page.getByRole('textbox', { name: 'Address of a web search' });
  await address.fill('ftp://nowhere');
  await expect(page.getByText('An address that begins with')).toBeVisible();
  await address.fill('https://search.example/?q={words}');
  await address.press('Enter');
  await page.keyboard.press('Escape');
  await expect(address).toBeHidden();

  await page.route('**/api/words/**', (route) => route.abort());
  await page.keyboard.press('Escape');
  await page.waitForTimeout(500);
  await lookUp();
  await expect(sheet).toContainText('crustaceans');
  await sheet.getByRole('button', { name: 'Search the web for it' }).click();
  const out = page.getByRole('dialog', { name: 'Leave for this address?' });
  await expect(out).toContainText('https://search.example/?q=barnacle');
  await out.getByRole('button', { name: 'Stay here' }).click();
});
