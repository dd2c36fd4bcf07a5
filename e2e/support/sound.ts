import { AxeBuilder } from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

/** Nothing is wrong with the sheet that is open, or with the panel beside, for those who do not see it, or hardly. */
export async function sound(page: Page): Promise<void> {
  const open = page.locator('[role=dialog]');
  const within = (await open.count()) > 0 ? '[role=dialog]' : '[role=complementary]';
  const axe = new AxeBuilder({ page }).setLegacyMode(true).include(within);
  expect((await axe.analyze()).violations.map(({ id, nodes }) => [id, nodes[0].html])).toEqual([]);
}
