export { drawFirst } from './drawFirst.ts';
export type { PdfiumModule } from './module.ts';
export { type OpenPrint, openPrint } from './openPrint.ts';
export { LINK, type OpenPage, type OpenPages, openPages } from './openPages.ts';
export { type OpenToCompare, openToCompare } from './openToCompare.ts';
export { opensFreely } from './opensFreely.ts';
export type { Placed, Raster, Window } from './raster.ts';
export { wholePage, windowOnto } from './window.ts';
export { lineLook, type LookAt, type PrintedLook } from './lineLook.ts';
