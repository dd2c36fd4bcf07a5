import { type Box, displayMatrix, displaySize, transformBox } from '@marginalis/core/geometry';
import type { Page } from '@marginalis/core/document';
import { framesOn, type PageLink } from '@marginalis/core/links';
import { type CSSProperties, type KeyboardEvent, useMemo } from 'react';
import { useTheme } from 'react-native-paper';
import { useHand, usePageNames, useSession, useSessionState, useSettings } from '@/session';
import { useReader } from '@/shell';
import { Chip, ChipButton, DrawingSvg, usePageSeen } from '@/stage';
import { Area, G, Svg } from '@/ui';
import { askAboutLink } from './asked';
import { follow, leadsTo } from './follow';
import { useLinksOn } from './useLinksOn';
import { useLinkUnder } from './useLinkUnder';

/** About how wide the chip is, CSS pixels. */
const CHIP_WIDTH = 140;
const NO_INK: readonly Box[] = [];

/**
 * The links of a page. They are in nobody's way: a pen writes over them, a finger follows them by a tap, the keyboard comes to them one after the other,
 * and a mouse or pen that rests over one is shown where it leads. The link maker shows them all, and changes them.
 */
export function LinksOnPage({ index }: { index: number }) {
  const reader = useReader();
  const { colors } = useTheme();
  // Where links lead is said by the names of pages.
  usePageNames();
  const page = usePageSeen(index);
  const links = useLinksOn(page);
  const under = useLinkUnder(index, page, links);
  const hand = useSettings((s) => s.hand);
  const makes = useMakesLinks();
  if (!page || links.length === 0) return null;
  const matrix = displayMatrix(page);
  const { width, height } = displaySize(page);
  const placed = (area: Box): CSSProperties => {
    const { minX, minY, maxX, maxY } = transformBox(matrix, area);
    const share = (part: number, whole: number): string => `${(100 * part) / whole}%`;
    return {
      position: 'absolute',
      left: share(minX, width),
      top: share(minY, height),
      width: share(maxX - minX, width),
      height: share(maxY - minY, height),
      pointerEvents: 'none',
    };
  };
  const act = (link: PageLink): void => (makes ? askAboutLink(reader, link) : follow(reader, link));
  const lookOf = (link: PageLink): CSSProperties => {
    if (link === under) return { boxShadow: `0 0 0 1.5px ${colors.secondary}` };
    const colour = link.leads ? colors.secondary : colors.error;
    if (makes) return { outline: `1.5px dashed ${colour}`, background: `${colour}14` };
    return {};
  };
  return (
    <>
      <Frames page={page} />
      {links.flatMap((link, k) =>
        link.parts.map((part, n) => (
          <Area
            key={`${link.key} ${n}`}
            {...(n === 0
              ? {
                  role: 'link',
                  tabIndex: 0,
                  'aria-label': `Link: ${leadsTo(reader, link)}`,
                  'data-link': k,
                  onKeyDown: (e: KeyboardEvent) => {
                    if (e.key !== 'Enter') return;
                    // The same press is not to answer what is asked next.
                    e.preventDefault();
                    e.stopPropagation();
                    act(link);
                  },
                  // Those who read with a screen reader press it so.
                  onClick: () => act(link),
                }
              : { 'aria-hidden': true })}
            style={{ ...placed(part), borderRadius: 2, ...lookOf(link) }}
          />
        )),
      )}
      {under && (
        <Chip
          index={index}
          page={page}
          ink={NO_INK}
          hand={hand}
          clearOf={[
            { x: under.area.minX, y: under.area.minY },
            { x: under.area.maxX, y: under.area.maxY },
          ]}
          width={CHIP_WIDTH}
          label="Link"
        >
          <ChipButton
            icon={under.leads && 'address' in under.leads ? 'link' : 'right'}
            text={shortened(leadsTo(reader, under))}
            label={`Follow the link: ${leadsTo(reader, under)}`}
            onPress={() => follow(reader, under)}
          />
          {makes && (
            <ChipButton
              text="Change"
              label="Change the link"
              onPress={() => askAboutLink(reader, under)}
            />
          )}
        </Chip>
      )}
    </>
  );
}

/** The frames of links, drawn as copies have them. */
function Frames({ page }: { page: Page }) {
  const drawing = useSessionState((s) => s.document.links.size > 0 && s.document);
  const frames = useMemo(() => (drawing ? framesOn(drawing, page) : []), [drawing, page]);
  if (frames.length === 0) return null;
  const { width, height } = displaySize(page);
  return (
    <Area aria-hidden data-testid="link-frames" style={OVER}>
      <Svg width="100%" height="100%" viewBox={`0 0 ${width} ${height}`}>
        <G transform={`matrix(${displayMatrix(page).join(' ')})`}>
          <DrawingSvg drawing={frames} />
        </G>
      </Svg>
    </Area>
  );
}

const OVER = { position: 'absolute', inset: 0, pointerEvents: 'none' } as const;

/** Whether the link maker is in hand. */
function useMakesLinks(): boolean {
  const { hand } = useSession();
  const roll = useSettings((s) => s.roll);
  const current = useHand((s) => s.current);
  const writable = useSessionState((s) => s.writable);
  const held = roll.find(({ id }) => id === current) ?? hand.instrument();
  return writable && held.kind === 'link-maker';
}

/** An address may be long: whose it is stands at its beginning. */
const shortened = (text: string): string => (text.length > 40 ? `${text.slice(0, 39)}…` : text);
