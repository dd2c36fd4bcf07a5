export { attachmentName, fileFacts, type FileFacts, plainText } from './fileFacts.ts';
export { pdfDate } from './pdfDate.ts';
export { pageSizes, type PageSize } from './pageSizes.ts';
export {
  countPage,
  type DocumentKind,
  kindOfPages,
  NO_PAGES,
  type PageCounts,
} from './kindOfPages.ts';
