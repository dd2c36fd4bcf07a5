import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import type { DrawerItem } from '@marginalis/core/drawer';
import { marksOn } from '@marginalis/core/document';
import { plainPage } from '@marginalis/core/geometry';
import { smallPicture } from '../../../core/testing/attachment';
import { wavePath } from '../../../core/testing/hand';
import { pageRefsFor, written } from '../../../core/testing/marks';
import { dropDrawerItem, keepDrawerItems, readDrawerItems, readDrawerPictures } from './drawer';

const pages = pageRefsFor([plainPage(300, 400)]);
const state = written(pages, [{ page: 0, id: 'w', path: wavePath({ x: 40, y: 100 }, 90, 8, 3) }]);
const item = (id: string, attachments: readonly string[]): DrawerItem => ({
  ...{ id, name: id, folder: '', sort: 'marks', preview: '', dated: false },
  ...{ page: plainPage(300, 400), marks: [...marksOn(state, 'p0').values()], attachments },
  ...{ order: 1, uses: 0, usedAt: 0, madeAt: 1 },
});

test('the drawer is kept and read; a thing that is damaged hides no other, and a picture goes with the last that shows it', async () => {
  const picture = smallPicture('shown');
  const [one, two] = [item('one', [picture.id]), item('two', [picture.id])];
  await keepDrawerItems([one], [picture]);
  await keepDrawerItems([two]);
  await createAsyncStorage('marginalis-drawer').setItem('torn', '{"id":"torn"}');
  const told = jest.spyOn(console, 'warn').mockImplementation(() => undefined);
  expect((await readDrawerItems()).map(({ id }) => id).sort()).toEqual(['one', 'two']);
  expect(told).toHaveBeenCalledTimes(1);
  told.mockRestore();
  await dropDrawerItem(one, [two]);
  expect(await readDrawerPictures([picture.id])).toEqual([picture]);
  await dropDrawerItem(two, []);
  expect(await readDrawerPictures([picture.id])).toEqual([]);
  expect((await createAsyncStorage('marginalis-drawer').getAllKeys()).sort()).toEqual(['torn']);
});
