import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { goToDocument, openDesk, openSend } from './support/reader';

/** What another library finds in a mail: who it is to, its subject, and what is attached. */
const READ = `
import sys, json
from email import policy, message_from_binary_file
m = message_from_binary_file(open(sys.argv[1], 'rb'), policy=policy.default)
text, file = m.iter_parts()
print(json.dumps([str(m['to']), str(m['subject']), text.get_content().strip(), file.get_filename(), file.get_content_type(), file.get_content()[:5].decode()]))
`;
const read = (path: string): unknown =>
  JSON.parse(execFileSync('python3', ['-c', READ, path], { encoding: 'utf8' }));

test('a copy leaves by e-mail: as a file that a mail program opens, and from here into the outbox', async ({
  page,
}) => {
  await goToDocument(page, 'Rock-pool zones');
  const sheet = await openSend(page);
  await sheet.getByRole('radio', { name: 'E-mail' }).click();
  await expect(sheet.getByLabel('Subject')).toHaveValue('Rock-pool zones');
  await sheet.getByLabel('To', { exact: true }).fill('teo');
  await expect(sheet.getByText('“teo” is no e-mail address.')).toBeVisible();
  await expect(sheet.getByRole('button', { name: 'Make the e-mail' })).toBeDisabled();
  await sheet.getByLabel('To', { exact: true }).fill('teo@shore.example, ines@shore.example');
  await sheet.getByLabel('Text of the e-mail').fill('Please look at zone 3 – “barnacles”.');
  const download = page.waitForEvent('download');
  await sheet.getByRole('button', { name: 'Make the e-mail' }).click();
  const mail = await download;
  expect(mail.suggestedFilename()).toBe('Rock-pool zones – marked.eml');
  const says = [
    'teo@shore.example, ines@shore.example',
    'Rock-pool zones',
    'Please look at zone 3 – “barnacles”.',
    'Rock-pool zones – marked.pdf',
    'application/pdf',
    '%PDF-',
  ];
  expect(read(await mail.path())).toEqual(says);

  await sheet.getByRole('radio', { name: 'From here' }).click();
  await sheet.getByRole('button', { name: 'Send the e-mail' }).click();
  await expect(sheet.getByText('The e-mail is sent.')).toBeVisible();
  const opening = page.waitForEvent('popup');
  await sheet.getByRole('link', { name: 'See the outbox' }).click();
  const outbox = await opening;
  const shown = outbox.getByRole('listitem').first();
  await expect(shown).toContainText('Rock-pool zones – marked.pdf');
  await expect(shown).toContainText('Please look at zone 3');
  const whole = outbox.waitForEvent('download');
  await shown.getByRole('link', { name: 'The whole mail' }).click();
  const path = await (await whole).path();
  expect(read(path)).toEqual(says);
  expect(readFileSync(path, 'latin1')).toContain('From: Marginalis <outbox@marginalis.invalid>');
  await outbox.close();

  await openDesk(page);
  await page.getByRole('button', { name: 'What was sent' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'by e-mail' })).toHaveCount(2);
});
