// node withPdfjs.mjs FROM TO: what its editors write on the first page of a PDF.
import { readFileSync, writeFileSync } from 'node:fs';

const pdfjs = await import('pdfjs-dist/legacy/build/pdf.mjs');
const [, , from, to] = process.argv;
const doc = await pdfjs.getDocument({
  data: new Uint8Array(readFileSync(from)),
  isEvalSupported: false,
  verbosity: 0,
}).promise;
const { AnnotationEditorType } = pdfjs;
const ink = [100, 560, 120, 590, 160, 590, 180, 560];
const editors = [
  {
    annotationType: AnnotationEditorType.HIGHLIGHT,
    color: [255, 204, 0],
    opacity: 1,
    quadPoints: [72, 712, 172, 712, 72, 696, 172, 696],
    outlines: [[72, 696, 172, 696, 172, 712, 72, 712]],
    rect: [72, 696, 172, 712],
  },
  {
    annotationType: AnnotationEditorType.INK,
    color: [255, 0, 0],
    thickness: 3,
    opacity: 1,
    paths: {
      lines: [[NaN, NaN, NaN, NaN, 100, 560, 120, 590, 160, 590, 180, 560]],
      points: [ink],
    },
    rect: [97, 557, 183, 596],
  },
  {
    annotationType: AnnotationEditorType.FREETEXT,
    color: [128, 0, 0],
    fontSize: 14,
    value: 'Compare with the limpets.',
    rect: [72, 380, 260, 430],
  },
];
editors.forEach((editor, k) =>
  doc.annotationStorage.setValue(`pdfjs_internal_editor_${k}`, {
    ...editor,
    pageIndex: 0,
    rotation: 0,
  }),
);
writeFileSync(to, await doc.saveDocument());
