/** Gives the browser a file to keep. */
export function download(file: File): void {
  const url = URL.createObjectURL(file);
  const link = document.createElement('a');
  link.href = url;
  link.download = file.name;
  link.click();
  // Some browsers read the file only after this turn.
  setTimeout(() => URL.revokeObjectURL(url), 60_000);
}

/** Asks for one file of the kinds in `accept`, or has the camera take it where there is one; null when the person takes none. */
export function pickFile(accept: string, from?: 'camera'): Promise<File | null> {
  const input = document.createElement('input');
  input.type = 'file';
  input.accept = accept;
  // The one that looks away from who holds the device (HTML Media Capture).
  if (from === 'camera') input.capture = 'environment';
  return new Promise((done) => {
    input.addEventListener('change', () => done(input.files?.[0] ?? null));
    input.addEventListener('cancel', () => done(null));
    input.click();
  });
}

/** A size in the unit a person would use. */
export const sizeInWords = (bytes: number): string =>
  bytes < 1_000_000
    ? `${Math.max(1, Math.round(bytes / 1000))} kB`
    : `${(bytes / 1_000_000).toFixed(1)} MB`;
