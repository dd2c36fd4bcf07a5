import type { Page } from '@marginalis/core/document';
import type { Vec } from '@marginalis/core/geometry';
import { placeNear, type Print, type TextRange, wordAround } from '@marginalis/core/print';
import type { DocumentSession } from './documentSession';

/** Farther from any word than this, points, none is meant. */
const REACH = 4;

/** The printed word that is tapped, in user space; null where there is none. Rejects when the print cannot be read. */
export async function wordAt(
  session: Pick<DocumentSession, 'print'>,
  page: Page,
  at: Vec,
): Promise<{ readonly print: Print; readonly range: TextRange } | null> {
  const print = session.print.known(page) ?? (await session.print.of(page));
  const place = placeNear(print, at, REACH);
  const range = place === null ? null : wordAround(print, place);
  return range && { print, range };
}
