export { PagesField } from './PagesField';
export { ComingFrom, type There } from './ComingFrom';
export { PagePreview, PageThumb } from './PageThumb';
export { doDoubleTap, isAble, spelledKeys } from './commands';
export type {
  Command,
  Pasted,
  PagePlace,
  CommandGroup,
  CommandPlace,
  Dialog,
  Instruments,
  Panel,
  Reader,
  ReaderFeature,
} from './feature';
export { late, preload } from './late';
export { InkPad, LetterLook, TextLook } from './lateParts';
export { PAPER } from './pad/paper';
export { goToMark } from './goToMark';
export { ChipCommands } from './ChipCommands';
export { SecondWindow } from './SecondWindow';
export { ReaderShell, type ReaderShellProps } from './ReaderShell';
export type { Opened } from './Pane';
export type { Beside, HeldPane, Panes, PanesState } from './panes';
export { useReader, useReaderAround, useShell } from './ReaderContext';
export { type Shell, UNKEPT } from './shellStore';
export {
  GUIDE_INK,
  type Hit,
  type InstrumentWriter,
  inkSampleOf,
  samplesOf,
  type WritingTools,
} from './writing';
export { type Spot, spotInSight } from './spotInSight';
export { usePlaced } from './usePlaced';
export { askAt, withdrawQuestion, placeAsked } from './placeAsked';
export { AreaDrag } from './AreaDrag';
export { areaWriter } from './areaWriter';
export { putStamp } from './putStamp';
export { answersOn, knownAnswers } from './answersOn';
export { relookTexts } from './relookTexts';
export { knownFileLinks, readFileLinks } from './fileLinks';
