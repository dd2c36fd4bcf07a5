import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import { wave } from './support/pen';
import { kept, openSend, openWorksheet, placeOn } from './support/reader';

/** What stands in for the system's dialog keeps here. */
interface Printing {
  readonly made: Map<string, Blob>;
  /** Addresses of the PDFs that were given to the dialog. */
  readonly printed: string[];
}

/** The PDF that was last given to the dialog for printing. */
async function printed(page: Page, file: string): Promise<void> {
  const bytes = await page.evaluate(async () => {
    const { made, printed: all } = window as unknown as Printing;
    const blob = made.get(all.at(-1) ?? '');
    return [...new Uint8Array((await blob?.arrayBuffer()) ?? new ArrayBuffer(0))];
  });
  writeFileSync(file, Uint8Array.from(bytes));
}

test('the copy is printed: as it is, two on a sheet, and with room to write beside the pages', async ({
  page,
}, info) => {
  // Stands in for the system's dialog, which nobody could answer here: says which file it was given.
  await page.addInitScript(() => {
    const kept = { made: new Map<string, Blob>(), printed: [] as string[] };
    Object.assign(window, kept);
    const make = URL.createObjectURL.bind(URL);
    URL.createObjectURL = (blob: Blob) => {
      const address = make(blob);
      kept.made.set(address, blob);
      return address;
    };
    Object.defineProperty(HTMLIFrameElement.prototype, 'contentWindow', {
      get(this: HTMLIFrameElement) {
        return { focus: () => undefined, print: () => kept.printed.push(this.src) };
      },
    });
  });
  const pen = await openWorksheet(page);
  const [x, y] = await placeOn(page, 1, 0.15, 0.3);
  await pen.draw(wave(x, y, 300));
  await kept(page);
  const sheet = await openSend(page);
  await sheet.getByRole('radio', { name: 'Print' }).click();
  const print = sheet.getByRole('button', { name: 'Print', exact: true });
  const count = () => page.evaluate(() => (window as unknown as Printing).printed.length);
  await print.click();
  await expect.poll(count).toBe(1);
  const file = info.outputPath('printed.pdf');
  await printed(page, file);
  const pages = (): string =>
    /Pages:\s+(\d+)[\s\S]*Page size:\s+([\d.]+ x [\d.]+)/
      .exec(execFileSync('pdfinfo', [file], { encoding: 'utf8' }))
      ?.slice(1)
      .join(' of ') ?? '';
  expect(pages()).toMatch(/^2 of 595.* x 84/);

  await sheet.getByRole('radio', { name: '2', exact: true }).click();
  await print.click();
  await expect.poll(count).toBe(2);
  await printed(page, file);
  expect(pages()).toBe('1 of 841.89 x 595.28');

  await sheet.getByRole('switch', { name: 'Lines to write on beside each page' }).click();
  await print.click();
  await expect.poll(count).toBe(3);
  await printed(page, file);
  execFileSync('qpdf', ['--check', file]);
  expect(pages()).toBe('1 of 595.28 x 841.89');
  expect(execFileSync('pdftotext', [file, '-'], { encoding: 'utf8' })).toContain('Beadlet anemone');
  await page.keyboard.press('Escape');
  // How it was sent last is remembered.
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(sheet.getByRole('radio', { name: '2', exact: true })).toBeChecked();
  await expect(print).toBeVisible();
});
