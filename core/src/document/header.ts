/** Where a PDF's header may stand: readers accept so many bytes of something else before it (common practice). */
export const HEADER_REACH = 1024;
const HEADER = [...'%PDF-'].map((c) => c.charCodeAt(0));

/** Whether bytes begin like a PDF's. */
export function hasPdfHeader(bytes: Uint8Array): boolean {
  const start = bytes.subarray(0, HEADER_REACH);
  for (let at = start.indexOf(HEADER[0]); at >= 0; at = start.indexOf(HEADER[0], at + 1))
    if (HEADER.every((c, i) => start[at + i] === c)) return true;
  return false;
}
