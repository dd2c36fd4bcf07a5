/**
 * What is used of PDFium as WebAssembly: its public C interface (fpdfview.h, fpdf_text.h, fpdf_edit.h, fpdf_structtree.h, fpdf_catalog.h), called without a wrapper, since a page asks
 * it tens of thousands of times; and its memory. The views of the memory are other ones whenever it has grown.
 */
export interface PdfiumModule {
  readonly wasmExports: {
    malloc(size: number): number;
    free(address: number): void;
    FPDF_LoadMemDocument(bytes: number, size: number, password: number): number;
    FPDF_GetLastError(): number;
    FPDF_CloseDocument(document: number): void;
    FPDF_GetPageCount(document: number): number;
    FPDF_GetPageSizeByIndexF(document: number, index: number, size: number): number;
    FPDFPage_GetRotation(page: number): number;
    FPDFPage_SetRotation(page: number, quarters: number): void;
    FPDF_GetPageWidthF(page: number): number;
    FPDF_GetPageHeightF(page: number): number;
    FPDFBitmap_Create(width: number, height: number, alpha: number): number;
    FPDFBitmap_FillRect(
      bitmap: number,
      left: number,
      top: number,
      width: number,
      height: number,
      colour: number,
    ): number;
    FPDFBitmap_GetBuffer(bitmap: number): number;
    FPDFBitmap_GetStride(bitmap: number): number;
    FPDFBitmap_Destroy(bitmap: number): void;
    FPDF_RenderPageBitmap(
      bitmap: number,
      page: number,
      left: number,
      top: number,
      width: number,
      height: number,
      quarters: number,
      flags: number,
    ): void;
    FPDF_RenderPageBitmapWithMatrix(
      bitmap: number,
      page: number,
      matrix: number,
      clip: number,
      flags: number,
    ): void;
    FPDF_FFLDraw(
      form: number,
      bitmap: number,
      page: number,
      left: number,
      top: number,
      width: number,
      height: number,
      quarters: number,
      flags: number,
    ): void;
    FPDF_SetFormFieldHighlightAlpha(form: number, alpha: number): void;
    FORM_OnAfterLoadPage(page: number, form: number): void;
    FORM_OnBeforeClosePage(page: number, form: number): void;
    PDFiumExt_OpenFormFillInfo(): number;
    PDFiumExt_InitFormFillEnvironment(document: number, info: number): number;
    PDFiumExt_ExitFormFillEnvironment(form: number): void;
    PDFiumExt_CloseFormFillInfo(info: number): void;
    FPDFPage_CountObjects(page: number): number;
    FPDFPage_GetObject(page: number, index: number): number;
    FPDFPageObj_GetType(object: number): number;
    FPDFPageObj_GetBounds(
      object: number,
      left: number,
      bottom: number,
      right: number,
      top: number,
    ): number;
    FPDFPage_GetAnnotCount(page: number): number;
    FPDFPage_GetAnnot(page: number, index: number): number;
    FPDFPage_CloseAnnot(annotation: number): void;
    FPDFAnnot_HasKey(annotation: number, key: number): number;
    FPDFAnnot_GetFlags(annotation: number): number;
    FPDFAnnot_SetFlags(annotation: number, flags: number): number;
    FPDFAnnot_SetStringValue(annotation: number, key: number, value: number): number;
    FPDFAnnot_GetSubtype(annotation: number): number;
    /** Into an FS_RECTF: left, top, right, bottom, four floats. */
    FPDFAnnot_GetRect(annotation: number, rect: number): number;
    FPDFPage_Flatten(page: number, usage: number): number;
    FPDFPageObj_GetMatrix(object: number, matrix: number): number;
    FPDFPageObj_GetFillColor(object: number, r: number, g: number, b: number, a: number): number;
    FPDFPageObj_GetStrokeColor(object: number, r: number, g: number, b: number, a: number): number;
    FPDFPath_CountSegments(path: number): number;
    FPDFPath_GetDrawMode(path: number, filled: number, stroked: number): number;
    FPDFPath_GetPathSegment(path: number, index: number): number;
    FPDFPathSegment_GetPoint(segment: number, x: number, y: number): number;
    FPDFPathSegment_GetType(segment: number): number;
    FPDFPathSegment_GetClose(segment: number): number;
    FPDFFormObj_CountObjects(form: number): number;
    FPDFFormObj_GetObject(form: number, index: number): number;
    FPDF_LoadPage(document: number, index: number): number;
    FPDF_ClosePage(page: number): void;
    FPDFText_LoadPage(page: number): number;
    FPDFText_ClosePage(text: number): void;
    FPDFText_CountChars(text: number): number;
    FPDFText_GetUnicode(text: number, index: number): number;
    FPDFText_IsGenerated(text: number, index: number): number;
    FPDFText_GetTextObject(text: number, index: number): number;
    FPDFText_GetFontSize(text: number, index: number): number;
    FPDFText_GetMatrix(text: number, index: number, matrix: number): number;
    FPDFText_GetLooseCharBox(text: number, index: number, box: number): number;
    FPDFTextObj_GetFont(object: number): number;
    FPDFFont_GetIsEmbedded(font: number): number;
    /** `letter` is a Unicode value; advances are as wide as letters of that size are. */
    FPDFFont_GetGlyphWidth(font: number, letter: number, size: number, width: number): number;
    FPDFFont_GetGlyphPath(font: number, letter: number, size: number): number;
    FPDFGlyphPath_CountGlyphSegments(path: number): number;
    FPDFGlyphPath_GetGlyphPathSegment(path: number, index: number): number;
    FPDFFont_GetAscent(font: number, size: number, ascent: number): number;
    FPDFFont_GetDescent(font: number, size: number, descent: number): number;
    FPDFCatalog_IsTagged(document: number): number;
    FPDFPageObj_GetMarkedContentID(object: number): number;
    FPDF_StructTree_GetForPage(page: number): number;
    FPDF_StructTree_Close(tree: number): void;
    FPDF_StructTree_CountChildren(tree: number): number;
    FPDF_StructTree_GetChildAtIndex(tree: number, index: number): number;
    FPDF_StructElement_GetType(element: number, buffer: number, size: number): number;
    FPDF_StructElement_GetAltText(element: number, buffer: number, size: number): number;
    FPDF_StructElement_CountChildren(element: number): number;
    FPDF_StructElement_GetChildAtIndex(element: number, index: number): number;
    FPDF_StructElement_GetChildMarkedContentID(element: number, index: number): number;
    FPDFText_GetCharIndexAtPos(
      text: number,
      x: number,
      y: number,
      reachX: number,
      reachY: number,
    ): number;
    FPDFText_GetFontInfo(
      text: number,
      index: number,
      buffer: number,
      size: number,
      flags: number,
    ): number;
    FPDFText_GetFontWeight(text: number, index: number): number;
    FPDFText_GetCharOrigin(text: number, index: number, x: number, y: number): number;
  };
  /** The text at an address, UTF-16LE, ended by zero. */
  UTF16ToString(address: number): string;
  stringToUTF8(text: string, address: number, room: number): void;
  readonly HEAPU8: Uint8Array;
  readonly HEAPF32: Float32Array;
  readonly HEAPF64: Float64Array;
}
