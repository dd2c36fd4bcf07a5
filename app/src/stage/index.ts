export { Chip, ChipButton, ChipTag } from './Chip';
export { CHIP_HEIGHT } from './chipPlace';
export { Grip, gripManners, spotStyle, TOUCH } from './Grip';
export { useStandOff } from './useStandOff';
export { BESIDE_OPENER, FootCorner, takesFoot } from './FootCorner';
export { Stage } from './Stage';
export type { MarkFeed } from './MarkFeed';
export { StageProvider } from './StageProvider';
export type { DrawnPages, SourcePages, SourcePictures } from './paperSource';
export {
  AttendedContext,
  StageContext,
  useLook,
  usePageSeen,
  usePagesSeen,
  useStage,
  useSight,
  type StageHold,
} from './StageContext';
export type { StageController } from './StageController';
export type { StageSight } from './sight';
export type { StagePlace, StageView } from './place';
export { QuadsOnPage, type ShownQuads } from './QuadsOnPage';
export { NIGHT_FILTER, type PaperLook } from './look';
export { colourUnder } from './colourUnder';
export { printedDotOn } from './printedDotOn';
export { printedRulesOn } from './printedRulesOn';
export type { Device } from './manners';
export type { Writer } from './pointers';
export type { Follower, Touch } from './touches';
export { pictureOfMarks, pictureSize } from './pictureOfMarks';
export { dataUrlOf } from './dataUrlOf';
export { pictureOfPage } from './pictureOfPage';
export { DrawingSvg } from './DrawingSvg';
export { pathData } from './pathData';
export { announceFaces, familiesOf } from './pageFaces';
export { pageFonts } from './pageFonts';
export { pagePictures } from './pagePictures';
export { pageFiles } from './pageFiles';
export { measured, measuredMark } from './measured';
export { type DrawingFiles, paintDrawing } from './paintDrawing';
export { type LiveLayer, type LiveLook, LiveTiles } from './LiveTiles';
export { NibRing } from './NibRing';
export { useMarkFeed } from './useMarkFeed';
export { setStamp } from './setStamp';
export { previewOf } from './previewOf';
export { CropFrame, WHOLE } from './CropFrame';
