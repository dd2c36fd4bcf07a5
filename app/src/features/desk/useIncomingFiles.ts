import { useEffect, useState } from 'react';

/** Files dropped on the window or pasted into it; true while some are held over it. */
export function useIncomingFiles(onFiles: (files: File[]) => void): boolean {
  const [over, setOver] = useState(false);
  useEffect(() => {
    let depth = 0;
    const holdsFiles = (e: DragEvent): boolean => e.dataTransfer?.types.includes('Files') ?? false;
    const onEnter = (e: DragEvent): void => {
      if (!holdsFiles(e)) return;
      depth++;
      setOver(true);
    };
    const onOver = (e: DragEvent): void => {
      if (holdsFiles(e)) e.preventDefault();
    };
    const onLeave = (): void => {
      depth = Math.max(0, depth - 1);
      if (depth === 0) setOver(false);
    };
    const onDrop = (e: DragEvent): void => {
      depth = 0;
      setOver(false);
      if (!holdsFiles(e)) return;
      e.preventDefault();
      onFiles([...(e.dataTransfer?.files ?? [])]);
    };
    const onPaste = (e: ClipboardEvent): void => {
      const files = [...(e.clipboardData?.files ?? [])];
      if (files.length > 0) onFiles(files);
    };
    window.addEventListener('dragenter', onEnter);
    window.addEventListener('dragover', onOver);
    window.addEventListener('dragleave', onLeave);
    window.addEventListener('drop', onDrop);
    window.addEventListener('paste', onPaste);
    return () => {
      window.removeEventListener('dragenter', onEnter);
      window.removeEventListener('dragover', onOver);
      window.removeEventListener('dragleave', onLeave);
      window.removeEventListener('drop', onDrop);
      window.removeEventListener('paste', onPaste);
    };
  }, [onFiles]);
  return over;
}
