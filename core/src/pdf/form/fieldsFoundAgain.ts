import type { PDFDocument } from '@cantoo/pdf-lib';
import type { NamedPart } from '../../document/index.ts';
import type { Box } from '../../geometry/index.ts';
import { asField, type FieldMark } from '../../kinds/index.ts';
import { rectOf } from '../annotations/read.ts';
import { withParents } from './entries.ts';
import { fullName } from './readForm.ts';
import { widgetsIn } from './widgets.ts';

/** Programs that write anew what they have not changed round its rectangle, points. */
const NEAR = 2;

/** The parts of a document, with what was filled in where its fields are in a file that was written anew: pages are those of the file. */
export function fieldsFoundAgain(doc: PDFDocument, parts: readonly NamedPart[]): NamedPart[] {
  const pages = parts.flatMap((one) => (one.part === 'page' ? [one.value.id] : []));
  const places = widgetsIn(doc).map((place) => ({
    ...place,
    name: fullName(withParents(place.dict)),
    box: rectOf(place.dict),
  }));
  const again = (mark: FieldMark): FieldMark => {
    const found = places.find(
      ({ page, name, box }) =>
        page === pages.indexOf(mark.page) &&
        name === mark.field &&
        box !== null &&
        isNear(box, mark.widget.box),
    );
    if (!found) return mark;
    const { index, ref } = found;
    return { ...mark, widget: { ...mark.widget, index, object: ref.objectNumber } };
  };
  return parts.map((one) => {
    const field = one.part === 'mark' ? asField(one.value) : null;
    return field ? { part: 'mark', value: again(field) } : one;
  });
}

const isNear = (a: Box, b: Box): boolean =>
  (['minX', 'minY', 'maxX', 'maxY'] as const).every((side) => Math.abs(a[side] - b[side]) <= NEAR);
