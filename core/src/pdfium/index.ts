export type { PdfiumModule } from './module.ts';
export { type OpenPrint, openPrint } from './openPrint.ts';
