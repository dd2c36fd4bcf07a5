import { coveredOn, layersOf } from '../derived/index.ts';
import type { PageMarks } from '../document/index.ts';
import type { Covered } from '../kinds/index.ts';
import type { CopyFonts } from '../copy/index.ts';
import type { EncodedForm } from './sink/encodedForm.ts';
import { type Deflate, encodeForm } from './sink/formWriter.ts';

/** A page's marks as a copy holds them, made without the document: plain data, to be kept until a copy is asked for. */
export interface MarkLayer {
  /** Null where there is nothing to draw. */
  readonly form: EncodedForm | null;
  readonly count: number;
  /** Annotations of the source whose places they take. */
  readonly covered: readonly Covered[];
}

/** Encodes a page's marks, in user space, as the screen shows them. @throws what {@link CopyFonts.set} throws */
export async function encodeMarks(
  marks: PageMarks,
  fonts: CopyFonts,
  deflate: Deflate | undefined,
): Promise<MarkLayer> {
  if (marks.size === 0) return { form: null, count: 0, covered: [] };
  const { beneath, over } = layersOf(marks);
  const form = await encodeForm(await fonts.set([...beneath, ...over]), deflate);
  const covered = [...coveredOn(marks).values()];
  return { form: form.content.length === 0 ? null : form, count: marks.size, covered };
}
