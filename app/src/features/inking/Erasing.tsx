import { inOrder, marksOn } from '@marginalis/core/document';
import { clearPage } from '@marginalis/core/editing';
import { type Eraser, inkName } from '@marginalis/core/marks';
import { usePageNames, useSession, useSessionState, useSettings } from '@/session';
import { useSight } from '@/stage';
import { Action, type Choice, Choices, InkDrop, paperIcon } from '@/ui';

const TAKES: readonly Choice<Eraser['takes']>[] = [
  { value: 'whole', label: 'Whole marks' },
  { value: 'part', label: 'What it passes over' },
];
const ONLY: readonly Choice<Eraser['only']>[] = [
  { value: 'everything', label: 'Everything' },
  { value: 'pen', label: 'Pen' },
  { value: 'highlighter', label: 'Highlighter' },
  { value: 'figures', label: 'Figures' },
  { value: 'ink', label: 'One ink' },
];

/** What an eraser takes, and the clearing of a whole page. */
export function Erasing({ instrument, onClose }: { instrument: Eraser; onClose: () => void }) {
  const { change } = useSettings();
  const session = useSession();
  const { current } = useSight();
  const nameOf = usePageNames();
  const page = useSessionState((s) => s.document.pages[current]);
  const document = useSessionState((s) => s.document);
  const { id, takes, only, colour } = instrument;
  const marks = page ? inOrder(marksOn(document, page.id)) : [];
  const inks = [
    ...new Set([...marks.map((m) => m.style.colour), ...(only === 'ink' ? [colour] : [])]),
  ];
  const clear = page ? clearPage(document, page.id) : null;
  return (
    <>
      <Choices
        label="Takes"
        value={takes}
        onChange={(next) => change(id, { takes: next })}
        choices={TAKES}
      />
      <Choices
        label="Only"
        value={only}
        onChange={(next) =>
          change(id, {
            only: next,
            ...(next === 'ink' && inks.length > 0 && !inks.includes(colour)
              ? { colour: inks[0] }
              : {}),
          })
        }
        choices={ONLY}
      />
      {only === 'ink' && inks.length > 0 && (
        <Choices
          label="Of this ink"
          value={colour}
          onChange={(next) => change(id, { colour: next })}
          choices={inks.map((c) => ({ value: c, label: inkName(c), sign: <InkDrop colour={c} /> }))}
        />
      )}
      <Action
        mode="outlined"
        icon={paperIcon('remove')}
        disabled={!clear}
        onPress={() => {
          session.dispatch(clear);
          onClose();
        }}
      >
        {`Clear page ${nameOf(current)}`}
      </Action>
    </>
  );
}
