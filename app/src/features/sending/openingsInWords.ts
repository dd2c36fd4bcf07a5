import type { LinkOpenings } from '@marginalis/core/wire';
import { ago } from '@/ui';

const COUNTS = ['Not opened yet', 'Opened once', 'Opened twice'];

/** `Opened 3 times, last 5 min ago`; times in ms since 1970. */
export function openingsInWords(
  { count, times, withdrawn }: Pick<LinkOpenings, 'count' | 'times' | 'withdrawn'>,
  now: number,
): string {
  const said = COUNTS.at(count) ?? `Opened ${count} times`;
  const last = times.at(0);
  const when = last === undefined ? '' : `, ${count > 1 ? 'last ' : ''}${ago(last, now)}`;
  return `${withdrawn && count === 0 ? 'Never opened' : said}${when}${withdrawn ? '. Withdrawn' : ''}`;
}
