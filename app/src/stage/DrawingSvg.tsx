import type { Drawing, Group, Item } from '@marginalis/core/drawing';
import type { Fonts } from '@marginalis/core/type';
import { useId } from 'react';
import { ClipPath, Defs, G, Path } from 'react-native-svg';
import { pathData } from './pathData';

/** A drawing as parts of an SVG in user space, for what is small or is being moved. Pictures are their place's outline. */
export function DrawingSvg({ drawing, fonts }: { drawing: Drawing; fonts?: Fonts }) {
  return drawing.map((item, i) => <ItemSvg key={i} item={item} fonts={fonts} />);
}

function ItemSvg({ item, fonts }: { item: Item; fonts?: Fonts }) {
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
      const face = fonts?.face(run.face);
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
    case 'picture':
      return (
        <Path
          transform={`matrix(${item.place.join(' ')})`}
          d="M0 0H1V1H0Z"
          fill="#8a94a3"
          fillOpacity={0.35 * item.opacity}
        />
      );
    case 'group':
      return <GroupSvg group={item} fonts={fonts} />;
  }
}

function GroupSvg({ group, fonts }: { group: Group; fonts?: Fonts }) {
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
