import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { emptyDocument, type Transaction } from '@marginalis/core/document';
import { addNote } from '@marginalis/core/editing';
import { encodeRecord } from '@marginalis/core/journal';
import { inBrowser } from './inBrowser';
import type { FrameWork } from './mainThread';
import { putRecord, scroll, scrollRow } from './scrolling';
import { BASE } from './server';

/** A document with hundreds of notes: what a frame of scrolling costs while their cards go along, beside the same without them. */

const TITLE = 'Course handbook';
const FILE = 'demo/documents/handbook.pdf';
const NOTES = 500;
/** So many of them on the page that is scrolled over first. */
const ON_ONE = 50;
const PAGES = 39;
const ROUNDS = 3;
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
    return [
      `| scrolling over ${NOTES} notes, ${ON_ONE} on the first of the pages | frames | on a processor: median | 99th percentile | longer than a frame of 60 Hz |`,
      '|---|---:|---:|---:|---:|',
      scrollRow(rounds.without, 'reference: their signs only, the column closed'),
      scrollRow(rounds.with, 'their cards beside the pages'),
      '',
      `From the key to the cards ${opened} ms.`,
    ].join('\n');
  });
}
