export {
  canvasPainter,
  type PainterFiles,
  type PixelContext,
  type PixelKit,
} from './canvasPainter.ts';
export type { ProofPainter } from './painter.ts';
export { type PageProof, type ProofTools, type ProvedPage, provePage } from './provePage.ts';
export { type CopyToProve, type Proof, proveCopy } from './proveCopy.ts';
