import { boxOfPoints, growBox, type Vec } from '@marginalis/core/geometry';
import type { Page } from '@marginalis/core/document';
import { byUse, type WordManner, type WordMarker } from '@marginalis/core/marks';
import { linesWithin, quadsOf, textOf } from '@marginalis/core/print';
import { useWindowDimensions } from 'react-native';
import { useStore } from 'zustand';
import {
  type ChosenPart,
  useLatelyWritten,
  useSession,
  useSessionState,
  useSettings,
} from '@/session';
import { ChipCommands } from '@/shell';
import { Chip, ChipButton, QuadsOnPage, usePagesSeen, useSight } from '@/stage';
import { InkDrop, WIDE_FROM } from '@/ui';
import { Caret } from './Caret';
import { CHIP, CHOSEN, CHOSEN_OPACITY } from './chosenLook';
import { Ends } from './Ends';
import { MarkEnds } from './MarkEnds';
import { MoreForWords } from './MoreForWords';
import { markParts } from './markParts';
import { asChosen, type PagePart } from './partsBetween';

/** So many word markers are one tap away, those used last. */
const MARKERS = 3;
/** About how wide the chip is, CSS pixels. */
const CHIP_WIDTH = 320;

/** What lies on the words of a page: what is selected, and the ends of what is picked. */
export function OnWords({ index }: { index: number }) {
  return (
    <>
      <ChosenWords index={index} />
      <MarkEnds index={index} />
    </>
  );
}

/** The words selected on a page, and beside the last of them what can be done with all. */
function ChosenWords({ index }: { index: number }) {
  const session = useSession();
  const { parts, changing, typed } = useStore(session.words.store);
  const pages = usePagesSeen();
  const page = pages[index];
  const here = parts.find((part) => part.page === page?.id);
  if (!page || !here) return null;
  const placed = parts.flatMap(({ page: id, print, range }): PagePart[] => {
    const k = pages.findIndex((one) => one.id === id);
    return k < 0 ? [] : [{ page: pages[k], index: k, print, range }];
  });
  return (
    <>
      <Selection page={page} part={here} />
      {typed?.caret.page === index && <Caret page={page} index={index} typed={typed} />}
      <Ends
        index={index}
        parts={placed}
        of="the selection"
        onChange={(next, done) => session.words.change(asChosen(next), !done)}
      />
      {parts[parts.length - 1] === here && !changing && (
        <WordsChip index={index} page={page} part={here} />
      )}
    </>
  );
}

function Selection({ page, part }: { page: Page; part: ChosenPart }) {
  const quads = quadsOf(part.print, part.range);
  const shown = [{ key: 'chosen', quads, fill: CHOSEN, opacity: CHOSEN_OPACITY }];
  return <QuadsOnPage page={page} shown={shown} testID="chosen-words" />;
}

/** What a word marker does, as its button in the chip says it. */
const ACTS: Readonly<Record<WordManner, string>> = {
  highlight: 'Highlight',
  underline: 'Underline',
  squiggle: 'Squiggle',
  strike: 'Strike out',
};

const NOBODY: ReadonlySet<string> = new Set();

/** Where the selection ends: its words in the last column. What stands in a column before is out of the way. */
function lastColumnOf({ print, range }: ChosenPart): Vec[] {
  const lines = linesWithin(print, range);
  const last = lines[lines.length - 1];
  const first = lines.find((line) => line.column === last?.column);
  const from = Math.max(range.from, first?.from ?? 0);
  return quadsOf(print, { from, to: range.to }).flat();
}

/** The grips at the ends stand off from the words, and are as large as fingers are: so far above and beneath, CSS pixels. */
const GRIPS = 32;

/** The corners of what points lie in, with room for grips. */
function withGrips(points: readonly Vec[], zoom: number): Vec[] {
  const { minX, minY, maxX, maxY } = growBox(boxOfPoints(points), GRIPS / zoom);
  return [
    { x: minX, y: minY },
    { x: maxX, y: maxY },
  ];
}

function WordsChip({ index, page, part }: { index: number; page: Page; part: ChosenPart }) {
  const session = useSession();
  const { parts } = session.words.store.getState();
  const hand = useSettings((s) => s.hand);
  const roll = useSettings((s) => s.roll);
  const used = useSettings((s) => s.used);
  const writable = useSessionState((s) => s.writable);
  const ink = useLatelyWritten(page.id, NOBODY);
  const wordMarkers = roll.filter((i): i is WordMarker => i.kind === 'word-marker');
  const markers = byUse(wordMarkers, used).slice(0, MARKERS);
  // On a phone the chip is no wider than a page.
  const wide = useWindowDimensions().width >= WIDE_FROM;
  const { zoom } = useSight();
  const letGo = (): void => session.words.choose([]);
  const copy = async (): Promise<void> => {
    try {
      await navigator.clipboard.writeText(
        parts.map(({ print, range }) => textOf(print, range)).join(' '),
      );
      letGo();
    } catch {
      session.notices.tell('The browser does not let the words be copied here.');
    }
  };
  return (
    <Chip
      index={index}
      page={page}
      ink={ink}
      hand={hand}
      clearOf={withGrips(lastColumnOf(part), zoom)}
      width={CHIP_WIDTH}
      label={CHIP}
    >
      {writable &&
        markers.map((marker) => (
          <ChipButton
            key={marker.id}
            sign={<InkDrop colour={marker.colour} />}
            text={ACTS[marker.manner]}
            label={`Mark with the ${marker.name.toLowerCase()}`}
            onPress={() => {
              markParts(session, marker, parts);
              useSettings.getState().noteUsed(marker.id);
              letGo();
            }}
          />
        ))}
      <ChipCommands of="forWords" />
      <ChipButton
        icon="copy"
        text={wide ? 'Copy' : ''}
        label="Copy the words"
        onPress={() => void copy()}
      />
      <MoreForWords />
      {wide && <ChipButton icon="close" text="" label="Let the words go" onPress={letGo} />}
    </Chip>
  );
}
