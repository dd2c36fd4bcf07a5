const [O, B, J] = [...'obj'].map((c) => c.charCodeAt(0));
const END = [...'endobj'].map((c) => c.charCodeAt(0));
const isWhite = (b: number): boolean => b <= 32 && (b === 32 || (b >= 9 && b <= 13) || b === 0);
const isDigit = (b: number): boolean => b >= 48 && b <= 57;

/** Longer numbers are no lengths of anything in a file that fits in memory. */
const MOST_DIGITS = 12;

/**
 * The whole numbers that are objects of their own (`7 0 obj 1234 endobj`), by object number; the last of a number
 * counts. One pass over the file, so that a stream's length can be known before the object that states it is read.
 */
export function statedLengths(file: Uint8Array): ReadonlyMap<number, number> {
  const lengths = new Map<number, number>();
  for (let at = file.indexOf(J); at >= 0; at = file.indexOf(J, at + 1)) {
    if (file[at - 1] !== B || file[at - 2] !== O) continue;
    const value = loneNumber(file, at + 1);
    if (value === null) continue;
    const number = objectNumberBefore(file, at - 2);
    if (number !== null) lengths.set(number, value);
  }
  return lengths;
}

/** The number that stands from `from` on, alone before the end of its object. */
function loneNumber(file: Uint8Array, from: number): number | null {
  let at = from;
  while (isWhite(file[at])) at++;
  const start = at;
  let value = 0;
  while (isDigit(file[at]) && at - start < MOST_DIGITS) value = value * 10 + file[at++] - 48;
  if (at === start) return null;
  while (isWhite(file[at])) at++;
  return END.every((c, i) => file[at + i] === c) ? value : null;
}

/** The object number before `to`, with a generation between. */
function objectNumberBefore(file: Uint8Array, to: number): number | null {
  let at = to - 1;
  const back = (test: (b: number) => boolean): number => {
    const end = at;
    while (at >= 0 && end - at < MOST_DIGITS && test(file[at])) at--;
    return end - at;
  };
  back(isWhite);
  if (back(isDigit) === 0 || back(isWhite) === 0) return null;
  const end = at + 1;
  if (back(isDigit) === 0) return null;
  let number = 0;
  for (let i = at + 1; i < end; i++) number = number * 10 + file[i] - 48;
  return number;
}
