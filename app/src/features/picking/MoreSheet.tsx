import {
  alignMarks,
  type Alignment,
  boundsCarried,
  carryMarks,
  carryTogether,
  distributeMarks,
  groupMarks,
  isInPieces,
  lockMarks,
  orderMarks,
  takeApart,
  ungroupMarks,
} from '@marginalis/core/editing';
import type { Page, Transaction } from '@marginalis/core/document';
import {
  boxCentre,
  displayMatrix,
  mapAsSeen,
  type Matrix,
  moveBy,
  scaleAbout,
  thenMatrix,
  transform,
  transformBox,
  turnAbout,
} from '@marginalis/core/geometry';
import { POINTS_PER_MM } from '@marginalis/core/ink';
import { asText, cornersOfBox, kindFor, type Mark, type TextMark } from '@marginalis/core/kinds';
import { StyleSheet, View } from 'react-native';
import { Divider, Text } from 'react-native-paper';
import { useSettings, useSession } from '@/session';
import { measured } from '@/stage';
import { Action, Choices, NumberField, paperIcon, Sheet } from '@/ui';
import { copyPicked, cutPicked, pasteClip } from './clipboard';
import { RepeatOnPages } from './RepeatOnPages';

/** The sides as they are seen on a page that is turned by so many degrees clockwise. */
const SEEN_SIDES: readonly Alignment[] = ['top', 'right', 'bottom', 'left'];
const ALIGN: readonly [Alignment, string][] = [
  ['left', 'Left'],
  ['centre', 'Centre'],
  ['right', 'Right'],
  ['top', 'Top'],
  ['middle', 'Middle'],
  ['bottom', 'Bottom'],
];

/** The side in user space that is seen as `side`. */
function userSide(side: Alignment, rotate: number): Alignment {
  const turns = rotate / 90;
  if (side === 'centre' || side === 'middle') {
    if (turns % 2 === 0) return side;
    return side === 'centre' ? 'middle' : 'centre';
  }
  return SEEN_SIDES[(SEEN_SIDES.indexOf(side) - turns + 4) % 4];
}

/** Copying, order, groups, alignment, and where marks are in numbers. */
export function MoreSheet(props: {
  marks: readonly Mark[];
  page: Page;
  open: boolean;
  onClose: () => void;
}) {
  const { marks, page, open, onClose } = props;
  const session = useSession();
  const { widthFollows, setWidthFollows } = useSettings();
  const ids = marks.map(({ id }) => id);
  const document = () => session.store.getState().document;
  const act = (transaction: Transaction | null) => {
    session.dispatch(transaction);
    onClose();
  };
  const several = marks.length > 1;
  const movable = marks.filter((mark) => !kindFor(mark).bound);
  const isLong = document().pages.length > 1;
  const isGrouped = marks.some(({ group }) => group !== undefined);
  return (
    <Sheet title="More" open={open} onClose={onClose}>
      <View style={styles.row}>
        {movable.length > 0 && (
          <>
            <Action
              icon={paperIcon('copy')}
              onPress={() => {
                void copyPicked(session);
                onClose();
              }}
            >
              Copy
            </Action>
            <Action
              icon={paperIcon('cut')}
              onPress={() => {
                void cutPicked(session);
                onClose();
              }}
            >
              Cut
            </Action>
          </>
        )}
        <Action
          icon={paperIcon('paste')}
          onPress={() => {
            void pasteClip(session, page.id, null);
            onClose();
          }}
        >
          Paste
        </Action>
      </View>
      <View style={styles.row}>
        <Action onPress={() => act(orderMarks(document(), ids, 'front'))}>To the front</Action>
        <Action onPress={() => act(orderMarks(document(), ids, 'back'))}>To the back</Action>
        {several && (
          <Action onPress={() => act(groupMarks(document(), ids, crypto.randomUUID()))}>
            Group
          </Action>
        )}
        {isGrouped && <Action onPress={() => act(ungroupMarks(document(), ids))}>Ungroup</Action>}
        {marks.some(isInPieces) && (
          <Action
            onPress={() => {
              const apart = takeApart(document(), ids, () => crypto.randomUUID());
              act(apart);
              if (apart) session.inHand.pick([...ids, ...apart.changes.map(({ id }) => id)]);
            }}
          >
            Take the pieces apart
          </Action>
        )}
        <Action
          icon={paperIcon('lock')}
          onPress={() => {
            act(lockMarks(document(), ids, true));
            session.inHand.pick([]);
          }}
        >
          Lock
        </Action>
      </View>
      {movable.length > 1 && (
        <>
          <Divider />
          <Text variant="labelLarge">Bring into line</Text>
          <View style={styles.row} role="group" aria-label="Bring into line">
            {ALIGN.map(([side, label]) => (
              <Action
                key={side}
                compact
                onPress={() => act(alignMarks(document(), ids, userSide(side, page.rotate)))}
              >
                {label}
              </Action>
            ))}
          </View>
          <View style={styles.row} role="group" aria-label="Spread evenly">
            {(['across', 'down'] as const).map((way) => (
              <Action
                key={way}
                compact
                disabled={movable.length < 3}
                onPress={() =>
                  act(
                    distributeMarks(
                      document(),
                      ids,
                      page.rotate % 180 === 0 ? way : way === 'across' ? 'down' : 'across',
                    ),
                  )
                }
              >
                {way === 'across' ? 'Spread across' : 'Spread down'}
              </Action>
            ))}
          </View>
        </>
      )}
      {movable.length > 0 && (
        <>
          <Divider />
          {isLong && <RepeatOnPages marks={movable} onDone={onClose} />}
          <Numbers marks={movable} page={page} />
          <Choices
            label="Lines, when scaled"
            value={widthFollows ? 'follow' : 'keep'}
            onChange={(next) => setWidthFollows(next === 'follow')}
            choices={[
              { value: 'keep', label: 'Keep their width' },
              { value: 'follow', label: 'Grow with it' },
            ]}
          />
        </>
      )}
    </Sheet>
  );
}

/** Steps of feeling for a size. */
const ROUNDS = 8;

/** Place and size in millimetres, from the page's upper left corner as it is seen. */
function Numbers({ marks, page }: { marks: readonly Mark[]; page: Page }) {
  const session = useSession();
  const { widthFollows } = useSettings();
  const display = displayMatrix(page);
  const b = transformBox(display, boundsCarried(marks));
  const mm = (points: number): number => Math.round((100 * points) / POINTS_PER_MM) / 100;
  const carry = (seen: Matrix, label: string) =>
    session.dispatch(
      measured(
        carryMarks(
          session.store.getState().document,
          marks.map(({ id }) => id),
          inUser(seen),
          label,
          label === 'Scale' ? manners : {},
        ),
      ),
    );
  const [width, height] = [b.maxX - b.minX, b.maxY - b.minY];
  const corner = { x: b.minX, y: b.minY };
  const manners = { widthFollows };
  const inUser = (seen: Matrix): Matrix => mapAsSeen(page, seen);
  /** Lines may keep their width, so the scale that gives a size is felt for. */
  const scaledTo = (axis: 'x' | 'y', size: number): Matrix => {
    const about = (k: number) =>
      axis === 'x' ? scaleAbout(k, 1, corner) : scaleAbout(1, k, corner);
    const boundsAt = (seen: Matrix) =>
      transformBox(display, boundsCarried(carryTogether(marks, inUser(seen), manners)));
    let k = size / (axis === 'x' ? width : height);
    for (let round = 0; round < ROUNDS; round++) {
      const now = boundsAt(about(k));
      k *= size / (axis === 'x' ? now.maxX - now.minX : now.maxY - now.minY);
    }
    const { minX, minY } = boundsAt(about(k));
    return thenMatrix(about(k), moveBy({ x: corner.x - minX, y: corner.y - minY }));
  };
  const fields = [
    [
      'From the left, mm',
      mm(b.minX),
      (v: number) => carry(moveBy({ x: v - b.minX, y: 0 }), 'Move'),
      0,
    ],
    [
      'From the top, mm',
      mm(b.minY),
      (v: number) => carry(moveBy({ x: 0, y: v - b.minY }), 'Move'),
      0,
    ],
    ['Width, mm', mm(width), (v: number) => carry(scaledTo('x', v), 'Scale'), 0.5],
    ['Height, mm', mm(height), (v: number) => carry(scaledTo('y', v), 'Scale'), 0.5],
  ] as const;
  const text = marks.length === 1 ? asText(marks[0]) : null;
  return (
    <View style={styles.numbers} role="group" aria-label="Place and size">
      {fields.map(([label, value, set, least]) => (
        <NumberField
          key={label}
          label={label}
          value={value}
          least={least}
          most={5000}
          onChange={(next) => set(next * POINTS_PER_MM)}
        />
      ))}
      {text && (
        <NumberField
          label="Turned clockwise, °"
          value={turnedBy(text, display)}
          least={-180}
          most={180}
          onChange={(next) => {
            const by = ((next - turnedBy(text, display)) * Math.PI) / 180;
            carry(turnAbout(by, boxCentre(b)), 'Turn');
          }}
        />
      )}
    </View>
  );
}

/** How far lines of a text lean from the level as the page is seen, clockwise, degrees. */
function turnedBy(text: TextMark, display: Matrix): number {
  const [a, b] = cornersOfBox(text).map((corner) => transform(display, corner));
  return Math.round((1800 * Math.atan2(b.y - a.y, b.x - a.x)) / Math.PI) / 10;
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 4 },
  numbers: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
});
