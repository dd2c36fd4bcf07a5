import { useEffect } from 'react';
import { useReader } from '@/shell';

/** Pictures that are dropped on the pages are put there. Nothing is seen of it. */
export function DropPictures() {
  const reader = useReader();
  useEffect(() => {
    const { session, stage } = reader;
    const holdsFiles = (e: DragEvent): boolean => e.dataTransfer?.types.includes('Files') ?? false;
    const onOver = (e: DragEvent): void => {
      // Else the browser would open the file in place of the application.
      if (holdsFiles(e)) e.preventDefault();
    };
    const onDrop = async (e: DragEvent): Promise<void> => {
      if (!holdsFiles(e)) return;
      e.preventDefault();
      const files = [...(e.dataTransfer?.files ?? [])];
      const hit = stage.pageAt(stage.fromClient(e.clientX, e.clientY));
      if (!hit || !session.store.getState().writable) return;
      const { putPictures } = await import('./putPictures');
      await putPictures(reader, files, { index: hit.index, at: hit.user });
    };
    window.addEventListener('dragover', onOver);
    window.addEventListener('drop', onDrop);
    return () => {
      window.removeEventListener('dragover', onOver);
      window.removeEventListener('drop', onDrop);
    };
  }, [reader]);
  return null;
}
