import type { PDFDocument } from '@cantoo/pdf-lib';
import { fromAnnotations } from '../../annotations/index.ts';
import { annotationsIn } from './annotationsIn.ts';
import { withStampsToCome } from './stamps.ts';

/** What other programs have written on a PDF, in numbers. */
export interface Written {
  /** Marks and notes that can be taken up; answers are not counted. */
  readonly count: number;
  /** Who wrote, in the order they are met; nobody who does not say. */
  readonly authors: readonly string[];
  /** What stays in the print: kinds as the file says them, and how many of each. */
  readonly left: Readonly<Record<string, number>>;
}

/** Counts what could be taken up as marks; null where nothing could. */
export function writtenOn(doc: PDFDocument): Written | null {
  const { annotations: found, dicts } = annotationsIn(doc);
  const annotations = withStampsToCome(found, dicts);
  if (annotations.length === 0) return null;
  const { marks, taken } = fromAnnotations(annotations, { pageId: String, now: 0 });
  if (marks.length === 0) return null;
  const left: Record<string, number> = {};
  const authors = new Set<string>();
  annotations.forEach(({ subtype, author, shown }, k) => {
    if (taken.has(k)) {
      if (author) authors.add(author);
    } else if (shown) left[subtype] = (left[subtype] ?? 0) + 1;
  });
  return {
    count: [...taken].filter((k) => annotations[k].answers?.as !== 'answer').length,
    authors: [...authors],
    left,
  };
}
