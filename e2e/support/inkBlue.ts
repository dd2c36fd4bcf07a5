/** Runs in a page: pixels of the first page in the ink-blue of the fine pen, or near it, whatever they are drawn by. */
export function inkBlue(): number {
  let count = 0;
  for (const canvas of document.querySelectorAll<HTMLCanvasElement>('[data-page="1"] canvas')) {
    // Paper cannot be read where it lies: its canvas only shows it.
    const copy = document.createElement('canvas');
    copy.width = canvas.width;
    copy.height = canvas.height;
    const ctx = copy.getContext('2d');
    ctx?.drawImage(canvas, 0, 0);
    const data = ctx?.getImageData(0, 0, copy.width, copy.height).data ?? [];
    for (let i = 0; i < data.length; i += 4)
      if (data[i + 2] - data[i] > 30 && data[i] < 120 && data[i + 3] > 200) count++;
  }
  return count;
}
