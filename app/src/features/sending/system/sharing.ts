import { type Handing, LEFT, notLeft } from './handing';

/** Whether the system has a sheet that shares files. */
export const canShare = (): boolean =>
  navigator.canShare?.({
    files: [new File([], 'a.pdf', { type: 'application/pdf' })],
  }) ?? false;

/** The system's sheet that shares files. */
export const shareSheet: Handing = {
  shownAt: null,
  async hand(file) {
    try {
      await navigator.share({ files: [file], title: file.name });
      return LEFT;
    } catch (e) {
      const name = e instanceof DOMException ? e.name : '';
      if (name === 'AbortError') return notLeft(null);
      // Making it took longer than a press of a button counts.
      if (name === 'NotAllowedError') return notLeft('It is ready now. Press Share once more.');
      return notLeft('The system could not share the file. Download it instead.');
    }
  },
};
