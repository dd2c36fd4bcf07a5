import type { PdfiumModule } from './module.ts';
import { setText } from './setText.ts';

/** Of FPDFAnnot_GetSubtype (fpdf_annot.h): a form field. */
const FIELD = 20;
/** Annotation flag (ISO 32000-1 §12.5.3). */
const HIDDEN = 2;

/** The fields of an open page that have a picture of their own, taken for stamps, so that PDFium draws them among the other annotations, in their order; in memory only. */
export class FieldsInOrder {
  private readonly indices: readonly number[];

  constructor(
    private readonly module: PdfiumModule,
    private readonly page: number,
  ) {
    const { wasmExports: pdfium } = module;
    const count = pdfium.FPDFPage_GetAnnotCount(page);
    this.indices = Array.from({ length: count }, (_, k) => k).filter((k) =>
      this.on(k, (annotation) => {
        const isHidden = (pdfium.FPDFAnnot_GetFlags(annotation) & HIDDEN) !== 0;
        if (isHidden || pdfium.FPDFAnnot_GetSubtype(annotation) !== FIELD) return false;
        if (!this.has(annotation, 'AP')) return false;
        setText(module, annotation, 'Subtype', 'Stamp');
        return true;
      }),
    );
  }

  /** Does something while they are hidden, so that it does not draw them again. */
  whileHidden(draw: () => void): void {
    const { wasmExports: pdfium } = this.module;
    const turn = (hide: boolean): void => {
      for (const k of this.indices)
        this.on(k, (annotation) => {
          const flags = pdfium.FPDFAnnot_GetFlags(annotation) & ~HIDDEN;
          return pdfium.FPDFAnnot_SetFlags(annotation, hide ? flags | HIDDEN : flags);
        });
    };
    turn(true);
    draw();
    turn(false);
  }

  private on<T>(index: number, look: (annotation: number) => T): T | false {
    const { wasmExports: pdfium } = this.module;
    const annotation = pdfium.FPDFPage_GetAnnot(this.page, index);
    if (annotation === 0) return false;
    try {
      return look(annotation);
    } finally {
      pdfium.FPDFPage_CloseAnnot(annotation);
    }
  }

  private has(annotation: number, key: string): boolean {
    const { wasmExports: pdfium } = this.module;
    const held = pdfium.malloc(key.length + 1);
    this.module.stringToUTF8(key, held, key.length + 1);
    const isThere = pdfium.FPDFAnnot_HasKey(annotation, held) !== 0;
    pdfium.free(held);
    return isThere;
  }
}
