import { type Page, pagesOfSource } from '@marginalis/core/document';
import type { DeskDocument } from '@/storage';

export const pageIdOf = (source: string, index: number): string =>
  `${source.slice(0, 12)}-${index}`;

/** The pages of a document as it came. */
export const pagesAsCame = ({ source, pages }: DeskDocument): Page[] =>
  pagesOfSource(source, pages, (index) => pageIdOf(source, index));
