import { findMark, markChange } from '@marginalis/core/document';
import { EquationRefusal, isTooMuch, texIn } from '@marginalis/core/equations';
import { asText, type TextMark } from '@marginalis/core/kinds';
import type { MarkId } from '@marginalis/core/marks';
import { type BlockEquation, textOfSpans } from '@marginalis/core/type';
import type { DocumentSession } from '@/session';
import { pageFonts } from '@/stage';
import { equationSetter } from '@/work';

const saidIn = ({ block }: TextMark): string[] => [
  ...new Set(block.spans.flatMap(({ text }) => texIn(text)).map(({ tex }) => tex)),
];

/**
 * Sets what stands between dollar signs in a box that has been laid down; what is set already stays as it is, and what cannot be set stays as it was
 * typed and is told.
 */
export async function setEquationsIn(session: DocumentSession, id: MarkId): Promise<void> {
  const find = (): TextMark | null => asText(findMark(session.store.getState().document, id));
  const mark = find();
  if (!mark) return;
  const before = mark.block.equations ?? [];
  const wanted = saidIn(mark);
  if (wanted.length === 0 && before.length === 0) return;
  const known = new Map(before.map((one) => [one.tex, one]));
  const equations: BlockEquation[] = [];
  const problems: string[] = [];
  for (const tex of wanted)
    try {
      const one = known.get(tex) ?? { tex, outline: await equationSetter.set(tex, true) };
      if (isTooMuch([...equations, one].map(({ outline }) => outline))) {
        problems.push('There are more equations in this text than it can keep: make two of it.');
        break;
      }
      equations.push(one);
    } catch (e) {
      if (!(e instanceof EquationRefusal)) throw e;
      problems.push(`$${tex}$ stays as it was typed. ${e.message}`);
    }
  const isSame =
    equations.length === before.length && equations.every((one) => before.includes(one));
  // While it was set something else may have been done with the box.
  const now = find();
  if (!isSame && now && textOfSpans(now.block.spans) === textOfSpans(mark.block.spans)) {
    const { equations: _, ...bare } = now.block;
    const block = equations.length > 0 ? { ...bare, equations } : bare;
    const height = pageFonts.setBlock(block)?.height ?? now.height;
    const changes = [markChange(now, { ...now, block, height })];
    session.dispatch({ label: 'Set the equations of a text', changes });
  }
  for (const problem of problems) session.notices.tell(problem);
}
