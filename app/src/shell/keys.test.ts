import { type Press, pressedKey, spellKey } from './keys';

const press = (key: string, held: Partial<Press> = {}): string =>
  pressedKey({ key, ctrlKey: false, metaKey: false, shiftKey: false, altKey: false, ...held });

test('keys are named alike whatever the keyboard', () => {
  expect(press('z', { ctrlKey: true })).toBe('Mod+Z');
  expect(press('z', { metaKey: true })).toBe('Mod+Z');
  expect(press('Z', { ctrlKey: true, shiftKey: true })).toBe('Mod+Shift+Z');
  expect(press('l')).toBe('L');
  expect(press('PageDown')).toBe('PageDown');
  expect(press(' ')).toBe('Space');
  // Signs stand on different keys, with Shift or without.
  expect(press('?', { shiftKey: true })).toBe('?');
  expect(press('+', { ctrlKey: true, shiftKey: true })).toBe('Mod++');
  expect(press('ArrowLeft', { shiftKey: true })).toBe('Shift+ArrowLeft');
});

test('keys are spelled for people', () => {
  expect(spellKey('Mod+Shift+Z')).toBe('Ctrl Shift Z');
  expect(spellKey('Mod++')).toBe('Ctrl +');
  expect(spellKey('Mod+-')).toBe('Ctrl −');
  expect(spellKey('PageDown')).toBe('Page down');
});
