import { faceFile } from '../../../core/testing/faces';
import * as typesetter from '../../../core/src/type/typesetter';
import { LoadedFonts } from './LoadedFonts';

const load = async () => typesetter;

const settled = async (fonts: LoadedFonts): Promise<void> =>
  new Promise((resolve) => {
    const end = fonts.subscribe(() => {
      end();
      resolve();
    });
  });

test('a face is loaded when it is first asked for, once, and is there from then on', async () => {
  const read: string[] = [];
  const fonts = new LoadedFonts(async (name) => {
    read.push(name);
    return faceFile(name);
  }, load);
  expect([fonts.face('sans'), fonts.face('sans')]).toEqual([null, null]);
  await settled(fonts);
  expect(fonts.face('sans')?.has(65)).toBe(true);
  expect(read).toEqual(['sans']);
});

test('a face that did not come is asked for again', async () => {
  const warned = jest.spyOn(console, 'warn').mockImplementation(() => undefined);
  let fails = true;
  const fonts = new LoadedFonts(async (name) => {
    if (fails) throw new Error('offline');
    return faceFile(name);
  }, load);
  fonts.face('mono');
  for (let i = 0; i < 50 && warned.mock.calls.length === 0; i++)
    await new Promise((resolve) => setTimeout(resolve, 10));
  expect(warned).toHaveBeenCalledTimes(1);
  fails = false;
  expect(fonts.face('mono')).toBeNull();
  await settled(fonts);
  expect(fonts.face('mono')).not.toBeNull();
  warned.mockRestore();
});
