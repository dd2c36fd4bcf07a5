import { type RefObject, useEffect } from 'react';

const CONTROLS =
  'button, a[href], input, select, textarea, [role=button], [role=radio], [role=switch], [role=option], [tabindex="0"]';
const isShown = (e: HTMLElement): boolean =>
  (e.checkVisibility?.() ?? true) &&
  !e.matches('[disabled], [aria-disabled=true], [tabindex="-1"]');
const isTyped = (e: HTMLElement): boolean => e.matches('input, textarea');

const controlsIn = (element: HTMLElement): HTMLElement[] =>
  [...element.querySelectorAll<HTMLElement>(CONTROLS)].filter(isShown);

/**
 * While a dialog is open the focus is in it: on its first control at first, round and round with Tab; it returns to where it
 * was when the dialog closes. Where a keyboard would rise from below, no field is focused unasked.
 */
export function useDialogFocus(dialog: RefObject<HTMLElement | null>): void {
  useEffect(() => {
    const element = dialog.current;
    if (!element) return undefined;
    const before = document.activeElement as HTMLElement | null;
    if (!element.contains(before)) {
      const rises = window.matchMedia?.('(pointer: coarse)').matches ?? false;
      const inBody = controlsIn(element).filter((e) => !e.closest('[data-head]'));
      const first = inBody.find((e) => !(rises && isTyped(e))) ?? controlsIn(element)[0];
      first?.focus({ preventScroll: true });
    }
    const onKey = (e: KeyboardEvent): void => {
      if (e.key !== 'Tab' || e.altKey || e.ctrlKey) return;
      const all = controlsIn(element);
      const [first, last] = [all[0], all[all.length - 1]];
      const at = document.activeElement;
      if (!element.contains(at) || at === (e.shiftKey ? first : last)) {
        e.preventDefault();
        (e.shiftKey ? last : first)?.focus();
      }
    };
    element.addEventListener('keydown', onKey);
    return () => {
      element.removeEventListener('keydown', onKey);
      if (before?.isConnected && document.body.contains(before))
        before.focus({ preventScroll: true });
    };
  }, [dialog]);
}
