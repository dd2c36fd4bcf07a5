export {
  type Vec,
  vec,
  add,
  subtract,
  scale,
  dot,
  cross,
  length,
  distance,
  lerp,
  rotate,
  normalise,
  angleAt,
} from './vec.ts';
export {
  type Box,
  EMPTY_BOX,
  box,
  isEmptyBox,
  middleOn,
  boxWidth,
  boxHeight,
  boxCentre,
  boxCorners,
  boxHolds,
  distanceToBox,
  growBox,
  boxesMeet,
  uniteBoxes,
  intersectBoxes,
  boxOfPoints,
} from './box.ts';
export {
  type Matrix,
  IDENTITY,
  mapSize,
  thenMatrix,
  transform,
  invertMatrix,
  transformBox,
  unitCorners,
  turnAbout,
  scaleAbout,
  moveBy,
} from './matrix.ts';
export {
  type Path,
  type PathSink,
  VERB,
  VERB_COORDS,
  PathBuilder,
  boxPath,
  framePath,
  polygonPath,
  drawPathInto,
  mapPath,
  pathBounds,
  joinPaths,
} from './path.ts';
export {
  nearestOnSegment,
  segmentDistance,
  polylineLength,
  inPolygon,
  resamplePolyline,
  simplifiedIndices,
} from './polyline.ts';
export { cubicInto, partsOfPath, polylinesOf } from './flatten.ts';
export {
  isWellPacked,
  PACKED_VERBS,
  type PackedPath,
  PathPacker,
  unpackPath,
} from './packedPath.ts';
export { convexHull } from './hull.ts';
export { type Convex, convexArea, convexMeet, isWithin, narrower } from './convex.ts';
export { cutToBox } from './cutToBox.ts';
export { degrees, roundedAngle } from './angle.ts';
export { withinCapsule } from './capsule.ts';
export { type Sweep, sweepAlong, partsOutside } from './sweep.ts';
export { KAPPA, ellipseInto, arcStep } from './arc.ts';
export {
  type PageBox,
  areaAsSeen,
  displaySize,
  displayMatrix,
  mapAsSeen,
  plainPage,
} from './pageBox.ts';
export {
  type Arrangement,
  type PageStack,
  type Spread,
  CONTINUOUS,
  PAGE_GAP,
  stackPages,
  spreadAt,
  spreadOf,
  pagesInBand,
  pageUnder,
} from './pageStack.ts';
export {
  type Camera,
  type Viewport,
  ACTUAL_SIZE,
  FIT_MARGIN,
  MIN_ZOOM,
  MAX_ZOOM,
  toStack,
  wholeStack,
  clampCamera,
  zoomAbout,
  fitWidthZoom,
  fitPageZoom,
} from './camera.ts';
export { type Tile, type Tiling, PAPER_TILING, MARK_TILING, tilesFor } from './tiles.ts';
