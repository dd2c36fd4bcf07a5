import { type Box, displayMatrix, displaySize, transformBox } from '@marginalis/core/geometry';
import type { KeyboardEvent } from 'react';
import { useTheme } from 'react-native-paper';
import { usePageNames, useSettings } from '@/session';
import { useReader } from '@/shell';
import { Chip, ChipButton, usePageSeen } from '@/stage';
import { Area } from '@/ui';
import { follow, leadsTo } from './follow';
import { useLinksOn } from './useLinksOn';
import { useLinkUnder } from './useLinkUnder';

/** About how wide the chip is, CSS pixels. */
const CHIP_WIDTH = 140;
const NO_INK: readonly Box[] = [];

/**
 * The links of a page. They are in nobody's way: a pen writes over them, a finger follows them by a tap, the keyboard comes to them one after the other,
 * and a mouse or pen that rests over one is shown where it leads.
 */
export function LinksOnPage({ index }: { index: number }) {
  const reader = useReader();
  const { colors } = useTheme();
  // Where links lead is said by the names of pages.
  usePageNames();
  const page = usePageSeen(index);
  const links = useLinksOn(page);
  const under = useLinkUnder(index, page);
  const hand = useSettings((s) => s.hand);
  if (!page || links.length === 0) return null;
  const matrix = displayMatrix(page);
  const { width, height } = displaySize(page);
  const share = (part: number, whole: number): string => `${(100 * part) / whole}%`;
  const placed = ({ minX, minY, maxX, maxY }: Box) => ({
    left: share(minX, width),
    top: share(minY, height),
    width: share(maxX - minX, width),
    height: share(maxY - minY, height),
  });
  const areas = links.map((link, k) => (
    <Area
      key={k}
      role="link"
      tabIndex={0}
      aria-label={`Link: ${leadsTo(reader, page, link)}`}
      data-link={k}
      onKeyDown={(e: KeyboardEvent) => {
        if (e.key !== 'Enter') return;
        // The same press is not to answer what is asked next.
        e.preventDefault();
        e.stopPropagation();
        follow(reader, page, link);
      }}
      // Those who read with a screen reader press it so.
      onClick={() => follow(reader, page, link)}
      style={{
        position: 'absolute',
        ...placed(transformBox(matrix, link.area)),
        pointerEvents: 'none',
        borderRadius: 2,
        ...(link === under && { boxShadow: `0 0 0 1.5px ${colors.secondary}` }),
      }}
    />
  ));
  return (
    <>
      {areas}
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
            icon={under.address ? 'link' : 'right'}
            text={shortened(leadsTo(reader, page, under))}
            label={`Follow the link: ${leadsTo(reader, page, under)}`}
            onPress={() => follow(reader, page, under)}
          />
        </Chip>
      )}
    </>
  );
}

/** An address may be long: whose it is stands at its beginning. */
const shortened = (text: string): string => (text.length > 40 ? `${text.slice(0, 39)}…` : text);
