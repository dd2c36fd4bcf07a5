import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { expect, test } from '@playwright/test';
import { LAID_OUT } from './support/laidOut';
import { openDesk } from './support/reader';

test('the samples are laid out once, for all the tests that begin with a desk', async ({
  page,
  context,
}) => {
  await openDesk(page);
  mkdirSync(dirname(LAID_OUT), { recursive: true });
  const { origins } = await context.storageState({ path: LAID_OUT, indexedDB: true });
  expect(JSON.stringify(origins)).toContain('Rock-pool zones');
});
