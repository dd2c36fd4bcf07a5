import type { MarkId, PageId } from '../../marks/index.ts';

/** The mark that is a page's printed number: there is one at most. */
export const numberMark = (page: PageId): MarkId => `number ${page}`.slice(0, 100);
