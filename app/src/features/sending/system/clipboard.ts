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
