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

/** Asks for one file; see {@link pickFiles}. Null when the person takes none. */
export const pickFile = async (accept: string, from?: 'camera'): Promise<File | null> =>
  (await picked(accept, { from, several: false }))[0] ?? null;

/** Asks for files of the kinds in `accept`, or has the camera take it where there is one; none when the person takes none. */
export const pickFiles = (accept: string, from?: 'camera'): Promise<readonly File[]> =>
  picked(accept, { from, several: true });

function picked(
  accept: string,
  { from, several }: { readonly from?: 'camera'; readonly several: boolean },
): Promise<readonly File[]> {
  const input = document.createElement('input');
  input.type = 'file';
  input.accept = accept;
  input.multiple = several;
  // The one that looks away from who holds the device (HTML Media Capture).
  if (from === 'camera') input.capture = 'environment';
  return new Promise((done) => {
    input.addEventListener('change', () => done([...(input.files ?? [])]));
    input.addEventListener('cancel', () => done([]));
    input.click();
  });
}

/** A size in the unit a person would use. */
export const sizeInWords = (bytes: number): string =>
  bytes < 1_000_000
    ? `${Math.max(1, Math.round(bytes / 1000))} kB`
    : `${(bytes / 1_000_000).toFixed(1)} MB`;
