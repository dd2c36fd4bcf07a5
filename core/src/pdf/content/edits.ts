/** A part of a content stream that is written otherwise. */
export interface Edit {
  readonly from: number;
  readonly to: number;
  readonly text: string;
}

/** Bytes with parts of them written otherwise; edits may come in any order, and do not overlap. */
export function edited(bytes: Uint8Array, edits: readonly Edit[]): Uint8Array {
  const parts: Uint8Array[] = [];
  let at = 0;
  for (const { from, to, text } of [...edits].sort((a, b) => a.from - b.from)) {
    parts.push(
      bytes.subarray(at, from),
      Uint8Array.from(` ${text} `, (c) => c.charCodeAt(0)),
    );
    at = to;
  }
  parts.push(bytes.subarray(at));
  const out = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let place = 0;
  for (const part of parts) {
    out.set(part, place);
    place += part.length;
  }
  return out;
}
