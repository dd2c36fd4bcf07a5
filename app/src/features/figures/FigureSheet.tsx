import { changeFigure, type FigurePart } from '@marginalis/core/editing';
import { type Dash, type Figure, isClosedFigure } from '@marginalis/core/figures';
import { POINTS_PER_MM } from '@marginalis/core/ink';
import { type FigureMark, inkName, PEN_INKS, WIDTHS_MM } from '@marginalis/core/marks';
import { usePenRoll, useSession } from '@/session';
import { type Choice, Choices, InkDrop, Sheet, withOwn } from '@/ui';
import { FIGURE_NAMES } from './names';

const LINES: readonly Choice<Dash>[] = [
  { value: 'none', label: 'Whole' },
  { value: 'dashed', label: 'Dashed' },
  { value: 'dotted', label: 'Dotted' },
];
const OPACITIES = [0.25, 0.5, 0.75, 1];
const FILLS = [0, 0.15, 0.35, 1];
/** Length of an arrowhead's barbs, points. */
const HEADS = [0, 7, 11, 16];
const HEAD_NAMES = ['None', 'Small', 'Middling', 'Large'];

const percent = (o: number): string => `${Math.round(100 * o)} %`;

/** Changes how a figure looks: ink, width, line, inside, opacity and arrowheads. */
export function FigureSheet(props: { mark: FigureMark; open: boolean; onClose: () => void }) {
  const { mark, open, onClose } = props;
  const session = useSession();
  const own = usePenRoll((r) => r.inks);
  const { figure, style, dash, fill } = mark;
  const change = (part: FigurePart) =>
    session.dispatch(changeFigure(session.store.getState().document, mark.id, part));
  const inks = [...new Set([...PEN_INKS.map((ink) => ink.colour), ...own, style.colour])];
  const widthMm = Math.round((100 * style.width) / POINTS_PER_MM) / 100;
  return (
    <Sheet title={FIGURE_NAMES[figure.kind]} open={open} onClose={onClose}>
      <Choices
        label="Ink"
        value={style.colour}
        onChange={(colour) =>
          change({ style: { colour }, ...(fill ? { fill: { ...fill, colour } } : {}) })
        }
        choices={inks.map((c) => ({ value: c, label: inkName(c), sign: <InkDrop colour={c} /> }))}
      />
      <Choices
        label="Width, mm"
        value={widthMm}
        onChange={(mm) => change({ style: { width: mm * POINTS_PER_MM } })}
        choices={withOwn(WIDTHS_MM['figure-pen'], widthMm).map((mm) => ({
          value: mm,
          label: String(mm),
        }))}
      />
      <Choices
        label="Line"
        value={dash}
        onChange={(next) => change({ dash: next })}
        choices={LINES}
      />
      {isClosedFigure(figure) && (
        <Choices
          label="Inside"
          value={fill?.opacity ?? 0}
          onChange={(opacity) =>
            change({ fill: opacity === 0 ? null : { colour: style.colour, opacity } })
          }
          choices={withOwn(FILLS, fill?.opacity ?? 0).map((o) => ({
            value: o,
            label: o === 0 ? 'Empty' : percent(o),
          }))}
        />
      )}
      <Choices
        label="Opacity"
        value={style.opacity}
        onChange={(opacity) => change({ style: { opacity } })}
        choices={withOwn(OPACITIES, style.opacity).map((o) => ({ value: o, label: percent(o) }))}
      />
      <Heads figure={figure} onChange={(next) => change({ figure: next })} />
    </Sheet>
  );
}

/** Arrowheads of an open figure; a line with one is an arrow. */
function Heads({ figure, onChange }: { figure: Figure; onChange: (figure: Figure) => void }) {
  const { kind } = figure;
  if (!['line', 'arrow', 'polyline', 'arc', 'curve'].includes(kind)) return null;
  const { head = 0, tail = 0 } = figure as { head?: number; tail?: number };
  const nearest = (size: number): number =>
    HEADS.reduce((best, h) => (Math.abs(h - size) < Math.abs(best - size) ? h : best));
  const set = (sizes: { head: number; tail: number }): void => {
    if (kind !== 'line' && kind !== 'arrow') return onChange({ ...figure, ...sizes } as Figure);
    const { from, to } = figure;
    if (sizes.head === 0 && sizes.tail === 0) return onChange({ kind: 'line', from, to });
    onChange({ kind: 'arrow', from, to, ...sizes });
  };
  const choices = HEADS.map((value, k) => ({ value, label: HEAD_NAMES[k] }));
  return (
    <>
      <Choices
        label="Arrowhead at the beginning"
        value={nearest(tail)}
        onChange={(next) => set({ head, tail: next })}
        choices={choices}
      />
      <Choices
        label="Arrowhead at the end"
        value={nearest(head)}
        onChange={(next) => set({ head: next, tail })}
        choices={choices}
      />
    </>
  );
}
