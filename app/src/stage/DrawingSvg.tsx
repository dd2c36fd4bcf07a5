import { type Drawing, type Group, type Item, setDrawing } from '@marginalis/core/drawing';
import { type Matrix, thenMatrix } from '@marginalis/core/geometry';
import { useId, useSyncExternalStore } from 'react';
import { ClipPath, Defs, G, Image, Path } from '@/ui';
import type { LoadedFonts } from './LoadedFonts';
import { pageFonts } from './pageFonts';
import { pagePictures } from './pagePictures';
import { pathData } from './pathData';

/** Pictures have their first row on top. */
const ROWS_DOWN: Matrix = [1, 0, 0, -1, 0, 1];

type Faces = Pick<LoadedFonts, 'face' | 'setBlock' | 'subscribe' | 'version'>;

/** A drawing as parts of an SVG in user space, for what is small or is being moved. A picture that is not at hand is its place's outline. */
export function DrawingSvg({ drawing, fonts = pageFonts }: { drawing: Drawing; fonts?: Faces }) {
  useSyncExternalStore(fonts.subscribe, fonts.version, fonts.version);
  return drawing.map((item, i) => <ItemSvg key={i} item={item} fonts={fonts} />);
}

function ItemSvg({ item, fonts }: { item: Item; fonts: Faces }) {
  switch (item.is) {
    case 'fill':
      return (
        <Path
          d={pathData(item.path)}
          fill={item.paint.colour}
          fillOpacity={item.paint.opacity}
          fillRule="nonzero"
        />
      );
    case 'glyphs': {
      const { run, paint } = item;
      const face = fonts.face(run.face);
      if (!face) return null;
      return (
        <G transform={`matrix(${run.place.join(' ')})`}>
          {run.glyphs.map(({ id, x, y }, i) => (
            <Path
              key={i}
              transform={`matrix(${run.size} 0 0 ${run.size} ${x} ${y})`}
              d={pathData(face.outlineOf(id))}
              fill={paint.colour}
              fillOpacity={paint.opacity}
            />
          ))}
        </G>
      );
    }
    case 'text':
      return <DrawingSvg drawing={setDrawing([item], fonts.setBlock)} fonts={fonts} />;
    case 'picture': {
      const address = pagePictures.address(item.source);
      if (address !== null)
        return (
          <G transform={`matrix(${thenMatrix(ROWS_DOWN, item.place).join(' ')})`}>
            <Image
              href={address}
              width={1}
              height={1}
              preserveAspectRatio="none"
              opacity={item.opacity}
            />
          </G>
        );
      return (
        <Path
          transform={`matrix(${item.place.join(' ')})`}
          d="M0 0H1V1H0Z"
          fill="#8a94a3"
          fillOpacity={0.35 * item.opacity}
        />
      );
    }
    case 'group':
      return <GroupSvg group={item} fonts={fonts} />;
  }
}

function GroupSvg({ group, fonts }: { group: Group; fonts: Faces }) {
  const { items, clip, opacity = 1, blend = 'normal' } = group;
  const id = useId();
  return (
    <>
      {clip && (
        <Defs>
          <ClipPath id={id}>
            <Path d={pathData(clip)} />
          </ClipPath>
        </Defs>
      )}
      <G
        opacity={opacity}
        {...(clip ? { clipPath: `url(#${id})` } : {})}
        style={{ mixBlendMode: blend }}
      >
        <DrawingSvg drawing={items} fonts={fonts} />
      </G>
    </>
  );
}
