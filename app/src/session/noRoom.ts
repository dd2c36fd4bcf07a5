/** Why a file cannot be kept, in words. */
export const noRoom = (fileName: string, e: unknown): string =>
  `There is no room for ${fileName} in the browser’s storage. ${e instanceof Error ? e.message : ''}`.trim();
