import { coveredOn, layersOf, redactedOn } from '../derived/index.ts';
import type { PageMarks } from '../document/index.ts';
import { type Covered, kindFor, type TakenPrint } from '../kinds/index.ts';
import type { CopyFonts } from '../copy/index.ts';
import type { Quad } from '../print/index.ts';
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
  /** Where everything is to be gone, and the bars that lie there. */
  readonly redacted: readonly Quad[];
  readonly bars: EncodedForm | null;
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
  const bars = new Map([...marks].filter(([, mark]) => kindFor(mark).redacts));
  const others = bars.size === 0 ? marks : new Map([...marks].filter(([id]) => !bars.has(id)));
  const drawn = async (some: PageMarks): Promise<EncodedForm | null> => {
    if (some.size === 0) return null;
    const { beneath, over } = layersOf(inCopies(some));
    const form = await encodeForm(await fonts.set([...beneath, ...over]), deflate);
    return form.content.length === 0 ? null : form;
  };
  return {
    ...{ form: await drawn(others), count: marks.size },
    covered: marks.size === 0 ? [] : [...coveredOn(marks).values()],
    takenOut: printTakenOut(marks),
    ...{ redacted: redactedOn(marks), bars: await drawn(bars) },
  };
}
