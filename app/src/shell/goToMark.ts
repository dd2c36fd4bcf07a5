import type { ListedMark } from '@marginalis/core/derived';
import type { Reader } from './feature';

/** Brings a mark into sight and leads the eye to it. */
export function goToMark({ stage, session }: Reader, { page, at, mark }: ListedMark): void {
  stage.showPlace(page, at);
  session.inHand.point(mark.id);
}
