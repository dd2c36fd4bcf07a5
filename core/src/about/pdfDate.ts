/** ISO 32000-1 §7.9.4: all but the year may be missing, and the apostrophes are written in more than one way. */
const DATE =
  /^(?:D:)?(\d{4})(\d{2})?(\d{2})?(\d{2})?(\d{2})?(\d{2})?(?:(Z)|([+-])(\d{2})'?(\d{2})?'?)?/;

/** A date as PDF writes it, as milliseconds since 1970; null where it is none. Without a zone it is taken for universal time. */
export function pdfDate(text: string): number | null {
  const parts = DATE.exec(text.trim());
  if (!parts) return null;
  const [, year, month = '01', day = '01', hour = '00', minute = '00', second = '00'] = parts;
  const [, , , , , , , , sign, zoneHour = '00', zoneMinute = '00'] = parts;
  const numbers = [year, month, day, hour, minute, second].map(Number);
  const [y, m, d, h, min, s] = numbers;
  if (m < 1 || m > 12 || d < 1 || d > 31 || h > 23 || min > 59 || s > 59) return null;
  const time = new Date(Date.UTC(2000, m - 1, d, h, min, s)).setUTCFullYear(y, m - 1, d);
  // There is no 30th of February.
  if (new Date(time).getUTCDate() !== d) return null;
  const zone = (Number(zoneHour) * 60 + Number(zoneMinute)) * 60_000;
  return sign === '-' ? time + zone : sign === '+' ? time - zone : time;
}
