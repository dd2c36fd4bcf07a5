import { type EquationOutline, piecePath } from '../equations/index.ts';
import { type Matrix, polygonPath, scaleAbout, thenMatrix, transform } from '../geometry/index.ts';
import type { SetRun, SetText, TextBlock } from '../type/index.ts';
import type { Drawing, Fill, Glyphs, Group, Item, Text } from './drawing.ts';

/** Sets a block; null while a face that it needs is not there. */
export type BlockSetter = (block: TextBlock) => SetText | null;

/** An underline lies so far beneath the baseline and is so thick, of the size. */
const UNDER = 0.11;
const THICK = 0.06;

/** By the item and what it was set as. */
const kept = new WeakMap<Text, { readonly set: SetText; readonly drawing: Drawing }>();

/** The drawing with its text in glyphs; text whose faces are not there yet is left out. */
export const setDrawing = (drawing: Drawing, setter: BlockSetter): Drawing =>
  drawing.some(holdsText) ? drawing.flatMap((item) => setItem(item, setter)) : drawing;

/** Every block of a drawing that is still to be set. */
export const textBlocksIn = (drawing: Drawing): readonly TextBlock[] =>
  drawing.flatMap((item) =>
    item.is === 'text' ? [item.block] : item.is === 'group' ? textBlocksIn(item.items) : [],
  );

const holdsText = (item: Item): boolean =>
  item.is === 'text' || (item.is === 'group' && item.items.some(holdsText));

function setItem(item: Item, setter: BlockSetter): Drawing {
  if (item.is === 'group') return [{ ...item, items: setDrawing(item.items, setter) }];
  if (item.is !== 'text') return [item];
  const set = setter(item.block);
  if (!set) return [];
  const known = kept.get(item);
  if (known?.set === set) return known.drawing;
  const drawing = glyphsOf(item, set);
  kept.set(item, { set, drawing });
  return drawing;
}

function glyphsOf({ block, place, opacity }: Text, set: SetText): Drawing {
  const items: Item[] = [];
  for (const { runs } of set.lines)
    for (const run of runs) {
      const { colour, underline } = block.spans[run.span].style;
      const paint = { colour, opacity };
      if (run.equation) {
        items.push(equationItem(run, run.equation, place, paint));
        continue;
      }
      const placed: Glyphs = {
        is: 'glyphs',
        run: { ...run, place: thenMatrix(run.place, place) },
        paint,
      };
      items.push(placed);
      if (underline) items.push(lineUnder(run, place, paint));
    }
  return items;
}

function equationItem(
  { place, size, text }: SetRun,
  { pieces }: EquationOutline,
  within: Matrix,
  { colour, opacity }: Fill['paint'],
): Group {
  const map = thenMatrix(scaleAbout(size, size, { x: 0, y: 0 }), thenMatrix(place, within));
  const items = pieces.map((piece): Fill => ({
    is: 'fill',
    path: piecePath(piece, map),
    paint: { colour: piece.colour ?? colour, opacity: 1 },
  }));
  return { is: 'group', items, says: text, ...(opacity === 1 ? {} : { opacity }) };
}

function lineUnder({ place, size, width }: SetRun, text: Matrix, paint: Fill['paint']): Fill {
  const to = thenMatrix(place, text);
  const [high, low] = [-UNDER * size, -(UNDER + THICK) * size];
  const corners = [
    { x: 0, y: high },
    { x: 0, y: low },
    { x: width, y: low },
    { x: width, y: high },
  ];
  const path = polygonPath(corners.map((corner) => transform(to, corner)));
  return { is: 'fill', path, paint };
}
