import { readFileSync } from 'node:fs';
import { readFonts } from '@/storage';
import { ownFaces } from '@/work';
import { faceFile } from '../../../core/testing/faces';
import { useOwnFonts } from './ownFonts';

jest.mock('@marginalis/core/type', () => ({
  ...jest.requireActual<object>('@marginalis/core/type'),
  // Nothing is loaded late here.
  loadTypesetter: async () => jest.requireActual<object>('@marginalis/core/typesetter'),
}));

const fonts = () => useOwnFonts.getState();
const other = (): Uint8Array =>
  new Uint8Array(readFileSync('node_modules/pdfjs-dist/standard_fonts/LiberationSans-Regular.ttf'));

afterEach(async () => {
  for (const font of fonts().fonts) await fonts().remove(font);
});

test('a font file is kept on this device, once, and given to whoever sets text', async () => {
  const font = await fonts().add('signs.ttf', other());
  expect(font).toMatchObject({ face: 'own-1', label: 'signs.ttf', mayEmbed: true });
  expect(await fonts().add('the same.ttf', other())).toBe(font);
  expect(await readFonts()).toEqual([font]);
  expect(ownFaces.names).toEqual(['own-1']);
  expect(await ownFaces.read('own-1')).toEqual(other());
  await fonts().remove(font);
  expect(ownFaces.names).toEqual([]);
  expect(await readFonts()).toEqual([]);
  await expect(ownFaces.read('own-1')).rejects.toThrow('not there');
  expect(await ownFaces.files()).toEqual([]);
});

test('what is no font is refused and changes nothing; more than there is room for too', async () => {
  await expect(fonts().add('letter.ttf', new Uint8Array([1, 2, 3]))).rejects.toThrow(
    'no font that can be used',
  );
  expect(fonts().fonts).toEqual([]);
  for (const name of ['hand', 'math', 'hebrew'] as const)
    await fonts().add(`${name}.ttf`, faceFile(name));
  await expect(fonts().add('fourth.ttf', other())).rejects.toThrow('remove one in the settings');
  await fonts().remove(fonts().fonts[1]);
  expect(await fonts().add('fourth.ttf', other())).toMatchObject({ face: 'own-2' });
});
