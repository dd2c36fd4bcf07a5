const DATE = /^\s*(?:D:)?(\d{4})(\d\d)?(\d\d)?(\d\d)?(\d\d)?(\d\d)?(?:([+\-Z])(\d\d)?'?(\d\d)?'?)?/;

/** A date as PDF files write it (ISO 32000-1 §7.9.4): milliseconds since 1970; null for what is none. Without a zone it is taken for that of Greenwich. */
export function readPdfDate(text: string): number | null {
  const found = DATE.exec(text);
  if (!found) return null;
  const [, year, month = '01', day = '01', hour = '00', minute = '00', second = '00', sign, h, m] =
    found;
  const at = Date.UTC(+year, +month - 1, +day, +hour, +minute, +second);
  const ahead = 60_000 * (60 * Number(h ?? 0) + Number(m ?? 0));
  return sign === '-' ? at + ahead : at - (sign === '+' ? ahead : 0);
}

const two = (n: number): string => String(n).padStart(2, '0');

/** The same written, in Greenwich's time. */
export function writePdfDate(ms: number): string {
  const d = new Date(ms);
  const day = `${String(d.getUTCFullYear()).padStart(4, '0')}${two(d.getUTCMonth() + 1)}${two(d.getUTCDate())}`;
  return `D:${day}${two(d.getUTCHours())}${two(d.getUTCMinutes())}${two(d.getUTCSeconds())}Z`;
}
