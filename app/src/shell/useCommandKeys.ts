import { useEffect } from 'react';
import { isTyping } from '@/ui';
import { commandForKey, isAble } from './commands';
import { pressedKey } from './keys';
import { useReader } from './ReaderContext';

/** Keys that press a button, follow a link or open a menu where the focus stands on one. */
const OF_BUTTONS = new Set(['Enter', 'Space']);
const BUTTON = 'button, [role=button], [role=menuitem], [role=option], a';

/** Of several readers in one window the one that was touched or focused last has the keys. */
let active: object | null = null;

/**
 * Runs the commands of a reader by their keys. They rest while something is typed, or something is open over the pages.
 * `frame` is the reader's element.
 */
export function useCommandKeys(frame: HTMLElement | null): void {
  const reader = useReader();
  useEffect(() => {
    const claim = (): void => {
      active = reader;
    };
    active ??= reader;
    const press = (e: KeyboardEvent): void => {
      if (active !== reader || e.defaultPrevented) return;
      if (document.querySelector('[role=dialog], [role=menu]')) return;
      const key = pressedKey(e);
      if (OF_BUTTONS.has(key) && (e.target as Element | null)?.closest?.(BUTTON)) return;
      const command = commandForKey(reader.commands(), key);
      if (!command || (isTyping(e) && !command.whileTyping?.includes(key))) return;
      // The browser says what is pasted, after this.
      if (command.paste) return;
      e.preventDefault();
      command.run(key);
    };
    const onPaste = async (e: ClipboardEvent): Promise<void> => {
      if (active !== reader || e.defaultPrevented || isTyping(e)) return;
      if (document.querySelector('[role=dialog], [role=menu]')) return;
      e.preventDefault();
      const { clipboardData } = e;
      const given = {
        text: clipboardData?.getData('text/plain') ?? '',
        html: clipboardData?.getData('text/html') ?? '',
        pictures: [...(clipboardData?.files ?? [])].filter(({ type }) => type.startsWith('image/')),
      };
      try {
        for (const command of reader.commands())
          if (command.paste && isAble(command) && (await command.paste(given))) return;
      } catch (trouble) {
        console.warn('Pasting failed.', trouble);
        reader.session.notices.tell('What was copied could not be pasted. Nothing was changed.');
      }
    };
    // Text fields keep their keys to themselves on the way up.
    const onWayDown = (e: KeyboardEvent): void => {
      if (isTyping(e)) press(e);
    };
    const onKey = (e: KeyboardEvent): void => {
      if (!isTyping(e)) press(e);
    };
    frame?.addEventListener('pointerdown', claim, true);
    frame?.addEventListener('focusin', claim);
    window.addEventListener('keydown', onKey);
    window.addEventListener('keydown', onWayDown, true);
    window.addEventListener('paste', onPaste);
    return () => {
      if (active === reader) active = null;
      frame?.removeEventListener('pointerdown', claim, true);
      frame?.removeEventListener('focusin', claim);
      window.removeEventListener('keydown', onKey);
      window.removeEventListener('keydown', onWayDown, true);
      window.removeEventListener('paste', onPaste);
    };
  }, [reader, frame]);
}
