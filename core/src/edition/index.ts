export { carryOver, type CarriedOver, type Editions } from './carryOver.ts';
export type { EditionPage, PageFate } from './editionText.ts';
export { type CarryReason, type PlacedMark, type Verdict, VERDICTS } from './placed.ts';
export { fatesByPicture, type SeenPage } from './byPicture.ts';
export { inkPictureOf } from './inkPicture.ts';
export { type ChosenPlace, movedTo } from './movedTo.ts';
export { changeEdition, type NewEdition } from './changeEdition.ts';
export { compareEditions, type EditionFile, PICTURE_WIDTH } from './compareEditions.ts';
export { canBePut, dropWaiting, putWaiting, waitingMarks, waitingUnits } from './waiting.ts';
