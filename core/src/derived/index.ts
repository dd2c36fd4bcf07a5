export { drawingOf, outlineOf, boundsOf, roughBoundsOf, liesBeneath } from './drawingOf.ts';
export { drawingsKnown, keepDrawings } from './drawingsKnown.ts';
export { linesOf, wholeLines, centrelinesOf, areasOf, reachOf } from './lines.ts';
export { marksMeeting } from './pageIndex.ts';
export { coveredOn } from './coveredOn.ts';
export { redactedOn } from './redactedOn.ts';
export { marksBeneath } from './marksBeneath.ts';
export { withoutCut } from './withoutCut.ts';
export { type Forgets, forgetting, phrasesBeneath, withoutPhrases } from './phrases.ts';
export { figuresOn } from './figuresOn.ts';
export { type MarkLayers, type Strength, layersFrom, layersMeeting, layersOf } from './layers.ts';
export { SLOTS, markSlots } from './markSlots.ts';
export { changedBox } from './changedBox.ts';
export { changedPlaces } from './changedPlaces.ts';
export { shareWithin } from './shareWithin.ts';
export { areaTouched, isTouched } from './touch.ts';
export {
  type ListedMark,
  type MarkFilter,
  filterMarks,
  listMarks,
  inkOf,
  wordsBeneath,
} from './markList.ts';
export { filterNotes, type NoteFilter } from './filterNotes.ts';
export { type NoteHit, notesSaying } from './notesSaying.ts';
export { type TextHit, textsSaying } from './textsSaying.ts';
export { type ListedNote, listNotes, type SignPlace, signPlace } from './notes.ts';
export { wordsKnown } from './wordsKnown.ts';
export { isLetterLike, type ListRow, listRows, type WrittenLine } from './writtenLines.ts';
export { plainRemark, type RemarkRun, remarkRuns } from './remarkRuns.ts';
export { REMARK_WIDTH, remarkInWords, writtenIn } from './writtenRemark.ts';
export { type Happened, happenedIn } from './happened.ts';
