import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { faceFile, shippedFonts } from '../../testing/faces.ts';
import { FACES } from './faces.ts';
import { FaceError, openOwnFace } from './openFace.ts';
import { setText } from './setText.ts';

/** A face that another package brings; it has signs that no face of the program has. */
const OTHER = 'node_modules/pdfjs-dist/standard_fonts/LiberationSans-Regular.ttf';
const other = (): Uint8Array => new Uint8Array(readFileSync(OTHER));
const fonts = shippedFonts();

/** The font with other licence bits: those of the table OS/2, eight bytes in (OpenType, OS/2, fsType). */
function withLicence(bits: number): Uint8Array {
  const bytes = other();
  const view = new DataView(bytes.buffer);
  for (let k = 0; k < view.getUint16(4); k++) {
    const entry = 12 + 16 * k;
    if (view.getUint32(entry) === 0x4f532f32) view.setUint16(view.getUint32(entry + 8) + 8, bits);
  }
  return bytes;
}

test('a face of one’s own is tried where none that ships has a sign', () => {
  expect(setText('pool ╬', { face: 'sans', size: 10 }, Infinity, fonts).missing).toEqual(['╬']);
  const own = openOwnFace('own-2', other());
  const all = {
    own: ['own-2'] as const,
    face: (name: Parameters<typeof fonts.face>[0]) => (name === 'own-2' ? own : fonts.face(name)),
  };
  const set = setText('pool ╬ ☺', { face: 'sans', size: 10 }, Infinity, all);
  expect(set.missing).toEqual([]);
  expect(set.lines[0].runs.map(({ face, text }) => [face, text.trim()])).toEqual([
    ['sans', 'pool'],
    ['own-2', '╬ ☺'],
  ]);
});

test('whether a face may go into copies is as its licence bits say', () => {
  expect(FACES.every((name) => fonts.face(name)?.mayEmbed)).toBe(true);
  const may = (bits: number): boolean => openOwnFace('own-1', withLicence(bits)).mayEmbed;
  // Installable; preview and print; editable; restricted; no subsets; bitmaps only.
  expect([0, 4, 8, 2, 0x100, 0x200].map(may)).toEqual([true, true, true, false, false, false]);
});

test('what is no such font is refused with a sentence', () => {
  const head = (text: string): Uint8Array => new TextEncoder().encode(`${text}${' '.repeat(40)}`);
  expect(() => openOwnFace('own-1', head('OTTO'))).toThrow('damaged');
  expect(() => openOwnFace('own-1', head('ttcf'))).toThrow('several fonts');
  expect(() => openOwnFace('own-1', head('%PDF'))).toThrow('no font that can be used');
  expect(() => openOwnFace('own-1', new Uint8Array())).toThrow('no font that can be used');
  expect(() => openOwnFace('own-1', other().subarray(0, 4_000))).toThrow('damaged');
});

test('however a font is damaged, it is refused or used, and nothing else happens', () => {
  const whole = faceFile('hand');
  fc.assert(
    fc.property(
      fc.nat({ max: whole.length - 1 }),
      fc.array(fc.tuple(fc.nat({ max: 2_000 }), fc.nat({ max: 255 })), { maxLength: 12 }),
      (length, changes) => {
        const bytes = whole.slice(0, changes.length > 0 ? whole.length : length);
        for (const [at, value] of changes) bytes[at] = value;
        try {
          expect(openOwnFace('own-1', bytes).name).toBe('own-1');
        } catch (e) {
          expect(e).toBeInstanceOf(FaceError);
        }
      },
    ),
    { numRuns: 40 },
  );
});
