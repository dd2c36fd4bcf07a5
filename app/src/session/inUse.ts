/** A document that is open somewhere, or whose removal can still be undone, is in use; then nothing of it is dropped. */
const nameOf = (documentId: string): string => `marginalis/in-use/${documentId}`;

/** Marks a document as in use until the function given is called, or the tab closes. */
export function markInUse(documentId: string): () => void {
  let release: () => void = () => undefined;
  const until = new Promise<void>((resolve) => (release = resolve));
  // Without locks nothing can be said to other tabs.
  void navigator.locks?.request(nameOf(documentId), { mode: 'shared' }, () => until);
  return release;
}

/** Does something with a document that no tab uses; nothing when one does. */
export async function ifUnused(documentId: string, act: () => Promise<void>): Promise<void> {
  if (!navigator.locks) return act();
  await navigator.locks.request(nameOf(documentId), { ifAvailable: true }, async (lock) => {
    if (lock) await act();
  });
}
