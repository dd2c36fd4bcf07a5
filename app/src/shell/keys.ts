/** What of a key press matters here. */
export type Press = Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'shiftKey' | 'altKey'>;

/** Shift makes another sign of these by itself, on one keyboard or another. */
const isSign = (key: string): boolean => key.length === 1 && !/[a-z0-9]/i.test(key);

/** A key press as commands name it: `Mod` is Ctrl, or Cmd on a Mac. */
export function pressedKey({ key, ctrlKey, metaKey, shiftKey, altKey }: Press): string {
  const name = key === ' ' ? 'Space' : key.length === 1 ? key.toUpperCase() : key;
  return [
    ctrlKey || metaKey ? 'Mod' : '',
    altKey ? 'Alt' : '',
    shiftKey && !isSign(key) ? 'Shift' : '',
    name,
  ]
    .filter(Boolean)
    .join('+');
}

const WORDS: Readonly<Record<string, string>> = {
  Mod: 'Ctrl',
  PageDown: 'Page down',
  PageUp: 'Page up',
  ArrowUp: '↑',
  ArrowDown: '↓',
  ArrowLeft: '←',
  ArrowRight: '→',
  '-': '−',
};

/** A key as people read it: `Ctrl Shift Z`. */
export const spellKey = (key: string): string =>
  (key.endsWith('++') ? [...key.slice(0, -2).split('+'), '+'] : key.split('+'))
    .map((part) => WORDS[part] ?? part)
    .join(' ');
