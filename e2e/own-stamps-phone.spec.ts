import { expect, test } from '@playwright/test';
import { command, inkOn, kept, openMarks, openWorksheet } from './support/reader';

test('a stamp of one’s own is made, counts, is put again from the stamps and from the drawer', async ({
  page,
}) => {
  await openWorksheet(page);
  await command(page, 'Put a stamp on the page');
  const stamps = page.getByRole('dialog', { name: 'Stamps' });
  await stamps.getByRole('button', { name: 'Make a stamp of your own' }).click();
  const made = page.getByRole('dialog', { name: 'A stamp of your own' });
  const keep = made.getByRole('button', { name: 'Keep it in the drawer' });
  await expect(keep).toBeDisabled();
  await made.getByLabel('What it says').fill('Quadrat');
  await made.getByRole('button', { name: 'Running number' }).click();
  await expect(made.getByLabel('What it says')).toHaveValue('Quadrat {number}');
  await made.getByRole('radio', { name: 'Ring', exact: true }).click();
  await keep.click();
  await expect(made).toBeHidden();
  await expect.poll(() => inkOn(page, 1)).toBeGreaterThan(100);
  await kept(page);

  await command(page, 'Put a stamp on the page');
  const own = stamps.getByRole('group', { name: 'Your own stamps' });
  await own.getByRole('button', { name: 'Quadrat 2' }).click();
  await expect(stamps).toBeHidden();
  await command(page, 'Open the drawer');
  const drawer = page.getByRole('dialog', { name: 'Drawer' });
  await drawer.getByRole('button', { name: 'Put on the page: Quadrat {number}' }).click();
  await expect(drawer).toBeHidden();
  await openMarks(page);
  for (const number of [1, 2, 3])
    await expect(
      page.getByRole('button', { name: new RegExp(`^Go to Stamp.*Quadrat ${number}$`) }),
    ).toHaveCount(1);
});
