import { displayMatrix, transform, type Vec } from '@marginalis/core/geometry';
import type { StageController } from '@/stage';

/** Where a point of the window lies on a page of the stage, from 0: as the page is seen, points, y down. */
export const seenOn = (stage: StageController, index: number, at: Vec): Vec =>
  transform(displayMatrix(stage.pages[index]), stage.toUser(index, at));

/** The same of an event. */
export const seenAt = (
  stage: StageController,
  index: number,
  { clientX, clientY }: { readonly clientX: number; readonly clientY: number },
): Vec => seenOn(stage, index, stage.fromClient(clientX, clientY));
