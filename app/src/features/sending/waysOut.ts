import { download } from '@/ui';

/** Whether the system has a sheet that shares files. */
export const canShare = (): boolean =>
  navigator.canShare?.({
    files: [new File([], 'a.pdf', { type: 'application/pdf' })],
  }) ?? false;

/** Gives a file to the system's sheet: whether it was shared, and what went wrong, in words; nothing did where the person closed the sheet. */
export async function share(
  file: File,
): Promise<{ readonly shared: boolean; readonly trouble: string | null }> {
  const not = (trouble: string | null) => ({ shared: false, trouble });
  try {
    await navigator.share({ files: [file], title: file.name });
    return { shared: true, trouble: null };
  } catch (e) {
    const name = e instanceof DOMException ? e.name : '';
    if (name === 'AbortError') return not(null);
    // Making it took longer than a press of a button counts.
    if (name === 'NotAllowedError') return not('It is ready now. Press Share once more.');
    return not('The system could not share the file. Download it instead.');
  }
}

/** Whether the clipboard takes pictures. */
export const canCopyPicture = (): boolean =>
  typeof ClipboardItem !== 'undefined' && typeof navigator.clipboard?.write === 'function';

/** Puts a PNG picture on the clipboard. What went wrong, in words; null when it is there. */
export async function copyPicture(picture: Blob): Promise<string | null> {
  try {
    await navigator.clipboard.write([new ClipboardItem({ 'image/png': picture })]);
    return null;
  } catch (e) {
    // Making it took longer than a press of a button counts.
    if (e instanceof DOMException && e.name === 'NotAllowedError')
      return 'It is ready now. Press Copy once more.';
    return 'The browser does not let it onto the clipboard. Download it instead.';
  }
}

export { download };
