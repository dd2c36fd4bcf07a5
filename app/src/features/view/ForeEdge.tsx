import { markSlots, SLOTS } from '@marginalis/core/derived';
import type { DocState } from '@marginalis/core/document';
import { farOf, type GuidePlace, ownBookmarks } from '@marginalis/core/guide';
import {
  type PointerEvent as ReactPointerEvent,
  type KeyboardEvent as ReactKeyboardEvent,
  useMemo,
  useRef,
  useState,
} from 'react';
import { StyleSheet } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { useStore } from 'zustand';
import { useShallow } from 'zustand/react/shallow';
import { usePageNames, useSession, useSessionState } from '@/session';
import { PageThumb } from '@/shell';
import { useSight, useStage } from '@/stage';
import { Area } from '@/ui';

const WIDTH = 28;
/** The thumb is no shorter, CSS pixels: a pen must come down on it. */
const THUMB = 24;

/** The page under the finger is shown no larger, CSS pixels. */
const PREVIEW = { width: 150, tallest: 190 } as const;

/** Places along the strip that are told apart. */
const PLACES = 240;

const kept = new WeakMap<
  DocState['marks'],
  { pages: DocState['pages']; places: readonly number[] }
>();

/** Where marks are, in pages and shares of pages; those that fall together once. Kept as long as no mark and no page changes. */
function placesOf({ pages, marks }: DocState): readonly number[] {
  const known = kept.get(marks);
  if (known?.pages === pages) return known.places;
  const steps = PLACES / pages.length;
  const all = pages.flatMap((page, n) => {
    const here = marks.get(page.id);
    return here ? markSlots(page, here).map((slot) => n + slot / SLOTS) : [];
  });
  const places = [...new Set(all.map((place) => Math.floor(place * steps) / steps))].sort(
    (a, b) => a - b,
  );
  kept.set(marks, { pages, places });
  return places;
}

/** Where hits are, as {@link placesOf} says it. */
function placesOfHits(pages: DocState['pages'], hits: readonly GuidePlace[]): readonly number[] {
  if (hits.length === 0) return NOWHERE;
  const steps = PLACES / pages.length;
  const fars = hits.map((hit) => farOf(pages, hit));
  return [...new Set(fars.map((far) => Math.floor((far ?? 0) * steps) / steps))];
}

const NOWHERE: readonly number[] = [];

/** The strip along the page stack: where marks and hits of a search lie, where the reader is; dragging it scrubs through the pages. */
export function ForeEdge() {
  const { controller, takeContact } = useStage();
  const { current, first, last, count } = useSight();
  const { colors } = useTheme();
  const strip = useRef<HTMLDivElement>(null);
  const thumb = useRef<HTMLDivElement>(null);
  const held = useRef(false);
  // Told only when it differs: writing on must not cost more because the strip shows it.
  const marked = useSessionState(useShallow((s) => placesOf(s.document)));

  const nameOf = usePageNames();
  const { search } = useSession();
  const pages = useSessionState((s) => s.document.pages);
  const hits = useStore(search.store, (s) => s.hits);
  const found = useMemo(() => placesOfHits(pages, hits), [pages, hits]);
  const bookmarks = useSessionState((s) => s.document.bookmarks);
  const flags = useMemo(
    () =>
      ownBookmarks({ pages, bookmarks }).map((one) => ({ ...one, far: farOf(pages, one) ?? 0 })),
    [pages, bookmarks],
  );

  /** Where the finger is while it scrubs: height in the strip, CSS pixels, and the side on which there is room. */
  const [finger, setFinger] = useState<{ y: number; side: 'left' | 'right' } | null>(null);

  const scrub = (e: ReactPointerEvent<HTMLDivElement>) => {
    const r = strip.current?.getBoundingClientRect();
    if (!r) return;
    setFinger({
      y: Math.min(r.height - PREVIEW.tallest / 2, Math.max(PREVIEW.tallest / 2, e.clientY - r.top)),
      side: r.left < window.innerWidth / 2 ? 'left' : 'right',
    });
    const share = Math.min(1, Math.max(0, (e.clientY - r.top) / r.height));
    controller.goToHeight(
      share * controller.stack.height -
        controller.getView().height / controller.getCamera().zoom / 2,
    );
  };
  const onKeyDown = (e: ReactKeyboardEvent) => {
    const to = {
      ArrowUp: current - 1,
      ArrowDown: current + 1,
      Home: 0,
      End: count - 1,
      PageUp: current - 10,
      PageDown: current + 10,
    }[e.key];
    if (to === undefined) return;
    e.preventDefault();
    e.stopPropagation();
    controller.goToPage(to);
  };
  const letGo = (): void => {
    held.current = false;
    setFinger(null);
  };
  const share = (page: number): string => `${(100 * page) / count}%`;

  return (
    <Area
      ref={strip}
      role="slider"
      tabIndex={0}
      aria-label="Fore-edge: place in the document"
      aria-orientation="vertical"
      aria-valuemin={1}
      aria-valuemax={count}
      aria-valuenow={current + 1}
      aria-valuetext={`Page ${nameOf(current)} of ${count}`}
      onKeyDown={onKeyDown}
      onPointerDown={(e) => {
        const isOnThumb = thumb.current?.contains(e.target as Node) ?? false;
        // A pen that comes down here is on its way onto the page.
        if (e.pointerType === 'pen' && !isOnThumb) return takeContact(e.nativeEvent);
        held.current = true;
        e.currentTarget.setPointerCapture(e.pointerId);
        scrub(e);
      }}
      onPointerMove={(e) => {
        if (held.current) scrub(e);
      }}
      onPointerUp={letGo}
      onPointerCancel={letGo}
      style={{
        width: WIDTH,
        position: 'relative',
        touchAction: 'none',
        cursor: 'ns-resize',
        background: colors.surfaceVariant,
        borderLeft: `1px solid ${colors.outlineVariant}`,
        borderRight: `1px solid ${colors.outlineVariant}`,
        boxSizing: 'border-box',
      }}
    >
      <Area
        ref={thumb}
        data-thumb
        style={{
          position: 'absolute',
          left: 0,
          right: 0,
          top: `min(${share(first)}, 100% - ${THUMB}px)`,
          height: share(last - first + 1),
          minHeight: THUMB,
          background: colors.secondaryContainer,
          borderTop: `1px solid ${colors.outline}`,
          borderBottom: `1px solid ${colors.outline}`,
          boxSizing: 'border-box',
        }}
      />
      {marked.map((place) => (
        <Area
          key={place}
          data-marked={Math.floor(place) + 1}
          style={{
            position: 'absolute',
            right: 4,
            width: 10,
            top: share(place),
            height: 2,
            background: colors.primary,
          }}
        />
      ))}
      {finger && (
        <Area
          aria-hidden
          data-testid="scrubbed-page"
          style={{
            position: 'absolute',
            [finger.side]: WIDTH + 10,
            top: finger.y - PREVIEW.tallest / 2,
            zIndex: 8,
            padding: 8,
            background: colors.surface,
            border: `1px solid ${colors.outline}`,
            borderRadius: 6,
            pointerEvents: 'none',
          }}
        >
          <PageThumb key={current} index={current} {...PREVIEW} />
          <Text variant="labelLarge" style={styles.name}>
            {nameOf(current)}
          </Text>
        </Area>
      )}
      {flags.map(({ id, far }) => (
        <Area
          key={id}
          data-flag={Math.floor(far) + 1}
          style={{
            position: 'absolute',
            left: 2,
            width: 0,
            height: 0,
            top: share(far),
            marginTop: -4,
            borderTop: '4px solid transparent',
            borderBottom: '4px solid transparent',
            borderLeft: `9px solid ${colors.primary}`,
          }}
        />
      ))}
      {found.map((place) => (
        <Area
          key={`hit ${place}`}
          data-hit={Math.floor(place) + 1}
          style={{
            position: 'absolute',
            left: 3,
            width: 9,
            top: share(place),
            height: 5,
            marginTop: -2,
            boxSizing: 'border-box',
            border: `1.5px solid ${colors.secondary}`,
            borderRadius: 2,
          }}
        />
      ))}
    </Area>
  );
}

const styles = StyleSheet.create({ name: { textAlign: 'center', paddingTop: 4 } });
