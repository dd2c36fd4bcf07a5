import { expect, type Page } from '@playwright/test';
import { line, type Pen } from './pen';
import { placeOn } from './reader';

/** The card of a note. */
export const card = (page: Page, number: number) =>
  page.getByRole('article', { name: `Note ${number}` });

/** A note that is begun. */
export const newNote = (page: Page) => page.getByRole('group', { name: 'New note' });

/** Begins a note on words of the first page, with the word picker in hand. */
export async function beginOnWords(
  page: Page,
  pen: Pen,
  [u, v]: readonly [number, number],
  to: number,
): Promise<void> {
  await pen.draw(line(await placeOn(page, 1, u, v), await placeOn(page, 1, to, v)));
  await page
    .getByRole('group', { name: 'Selected words' })
    .getByRole('button', { name: 'Add a note' })
    .click();
}

/** Types what a begun note says, and keeps it. */
export async function say(page: Page, text: string): Promise<void> {
  await newNote(page).getByRole('textbox', { name: 'What the note says' }).fill(text);
  await page.keyboard.press('Control+Enter');
  await expect(newNote(page)).toBeHidden();
}
