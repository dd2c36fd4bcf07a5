export {
  type Figure,
  type FigureKind,
  type FigureReading,
  type Heads,
  type TurnedBox,
  READ_KINDS,
} from './figure.ts';
export { type Dash, DASHES } from './dashes.ts';
export { readFigure } from './readFigure.ts';
export { readScratch } from './readScratch.ts';
export {
  BARB_ANGLE,
  bracketCorners,
  curvePoints,
  diamondCorners,
  figureLines,
  insideOf,
  isClosedFigure,
  outlineFigure,
  type LinePart,
  outlineParts,
  rectangleCorners,
  starCorners,
} from './figurePath.ts';
export { type FittedEllipse, fitEllipse } from './fitEllipse.ts';
export { type FittedCircle, fitCircle } from './fitCircle.ts';
export { fitCurve } from './fitCurve.ts';
export { landmarksOf } from './landmarks.ts';
export { mapFigure } from './mapFigure.ts';
export { moveFigure, turnFigure } from './moveFigure.ts';
export {
  type Printed,
  type Settled,
  type SettleManners,
  joinsDots,
  settleFigure,
} from './settle.ts';
export { type Handle, centreOf, handlesOf } from './handles.ts';
export { type DragManners, dragHandle, withoutCorner } from './dragHandle.ts';
export {
  type DraggedKind,
  type TappedKind,
  DRAGGED_KINDS,
  TAPPED_KINDS,
  draggedCloud,
  draggedFigure,
  isDragged,
  tappedCorner,
  tappedFigure,
} from './outright.ts';
