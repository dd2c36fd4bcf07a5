import { changeTexts, relookText, type TextLookChange } from '@marginalis/core/editing';
import type { TextMark } from '@marginalis/core/kinds';
import type { DocumentSession } from '@/session';
import { pageFonts } from '@/stage';

/** Gives text boxes another look, as one step: how high they are then follows from their faces. */
export async function relookTexts(
  session: DocumentSession,
  texts: readonly TextMark[],
  change: TextLookChange,
): Promise<void> {
  const relooked = async (before: TextMark): Promise<readonly [TextMark, TextMark]> => {
    const after = relookText(before, change);
    const { height } = await pageFonts.settle(after.block);
    return [before, { ...after, height }];
  };
  try {
    session.dispatch(changeTexts(await Promise.all(texts.map(relooked))));
  } catch (e) {
    console.warn('A face could not be loaded.', e);
    session.notices.tell('The face could not be loaded: the text stays as it was.');
  }
}
