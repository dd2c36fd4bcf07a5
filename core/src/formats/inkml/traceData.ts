/** Thrown when trace data breaks the grammar of InkML; the message says where. */
export class TraceDataError extends Error {
  override readonly name = 'TraceDataError';
}

/** Wildcards of the Recommendation: the value before, and no value. */
const SAME = '*';
const UNKNOWN = '?';
/** A value: a prefix, then a number, a hexadecimal number, a boolean or a wildcard. Values need no space between. */
const VALUE =
  /\s*([!'"])?\s*(-?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?|-?#[0-9A-Fa-f]+|[TF]|\*|\?)\s*/y;

type Prefix = '!' | "'" | '"';

const numberOf = (text: string): number => {
  if (text === 'T') return 1;
  if (text === 'F') return 0;
  const hex = text.indexOf('#');
  if (hex < 0) return Number(text);
  return (text.startsWith('-') ? -1 : 1) * parseInt(text.slice(hex + 1), 16);
};

/**
 * The points of a trace: values separated by spaces or by their own beginnings, points by commas. `!` means the
 * value itself, `'` its difference, `"` the difference of its difference; a prefix holds for its channel until
 * another comes (InkML, §3.3.1 "Trace", from memory). Unknown values are NaN.
 * @throws TraceDataError when the data does not follow the grammar
 */
export function parseTraceData(text: string): number[][] {
  const points: number[][] = [];
  const prefixes: Prefix[] = [];
  const values: number[] = [];
  const speeds: number[] = [];
  for (const part of text.split(',')) {
    if (part.trim() === '') {
      if (text.trim() === '') return [];
      throw new TraceDataError(`Point ${points.length + 1} of a trace is empty.`);
    }
    const row: number[] = [];
    VALUE.lastIndex = 0;
    while (VALUE.lastIndex < part.length) {
      const match = VALUE.exec(part);
      if (!match)
        throw new TraceDataError(`Point ${points.length + 1} of a trace is no list of numbers.`);
      const c = row.length;
      if (match[1]) prefixes[c] = match[1] as Prefix;
      row.push(next(c, match[2]));
    }
    points.push(row);
  }
  return points;

  function next(c: number, text: string): number {
    if (text === UNKNOWN) return NaN;
    const before = values[c] ?? 0;
    if (text === SAME) return before;
    const given = numberOf(text);
    const prefix = prefixes[c] ?? '!';
    let value = given;
    if (prefix === "'") value = before + given;
    if (prefix === '"') value = before + (speeds[c] ?? 0) + given;
    speeds[c] = value - before;
    values[c] = value;
    return value;
  }
}
