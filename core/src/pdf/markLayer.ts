import { coveredOn, layersOf } from '../derived/index.ts';
import type { PageMarks } from '../document/index.ts';
import { type Covered, kindFor, type TakenPrint } from '../kinds/index.ts';
import type { CopyFonts } from '../copy/index.ts';
import type { EncodedForm } from './sink/encodedForm.ts';
import { printTakenOut } from './takeOutPrint.ts';
import { type Deflate, encodeForm } from './sink/formWriter.ts';

/** A page's marks as a copy holds them, made without the document: plain data, to be kept until a copy is asked for. */
export interface MarkLayer {
  /** Null where there is nothing to draw. */
  readonly form: EncodedForm | null;
  readonly count: number;
  /** Annotations of the source whose places they take. */
  readonly covered: readonly Covered[];
  /** Print that is to be gone. */
  readonly takenOut: readonly TakenPrint[];
}

/** Marks as they are drawn in copies. */
function inCopies(marks: PageMarks): PageMarks {
  const changed = [...marks.values()].filter((mark) => kindFor(mark).inCopy);
  if (changed.length === 0) return marks;
  return new Map([...marks].map(([id, mark]) => [id, kindFor(mark).inCopy?.(mark) ?? mark]));
}

/** Encodes a page's marks, in user space, as the screen shows them. @throws what {@link CopyFonts.set} throws */
export async function encodeMarks(
  marks: PageMarks,
  fonts: CopyFonts,
  deflate: Deflate | undefined,
): Promise<MarkLayer> {
  if (marks.size === 0) return { form: null, count: 0, covered: [], takenOut: [] };
  const { beneath, over } = layersOf(inCopies(marks));
  const form = await encodeForm(await fonts.set([...beneath, ...over]), deflate);
  const covered = [...coveredOn(marks).values()];
  return {
    form: form.content.length === 0 ? null : form,
    ...{ count: marks.size, covered, takenOut: printTakenOut(marks) },
  };
}
