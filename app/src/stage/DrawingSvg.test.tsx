import type { Drawing } from '@marginalis/core/drawing';
import { PathBuilder } from '@marginalis/core/geometry';
import { cleanup, render } from '@testing-library/react';
import { Svg } from '@/ui';
import { DrawingSvg } from './DrawingSvg';

afterEach(cleanup);

function square(at: number, size: number) {
  const path = new PathBuilder();
  path.moveTo(at, at);
  path.lineTo(at + size, at);
  path.lineTo(at + size, at + size);
  path.lineTo(at, at + size);
  path.closePath();
  return path.build();
}

test('a group is clipped, multiplied and as faint as it says; two clips do not meet', () => {
  const group = (at: number): Drawing[number] => ({
    is: 'group',
    clip: square(at, 5),
    opacity: 0.5,
    blend: 'multiply',
    items: [{ is: 'fill', path: square(at, 10), paint: { colour: '#c22f17', opacity: 0.8 } }],
  });
  const { container } = render(
    <Svg>
      <DrawingSvg drawing={[group(0), group(20)]} />
    </Svg>,
  );
  const groups = [...container.querySelectorAll<SVGGElement>('g[clip-path]')];
  expect(groups).toHaveLength(2);
  const clips = groups.map((g) => {
    expect(g.getAttribute('opacity')).toBe('0.5');
    expect(g.style.mixBlendMode).toBe('multiply');
    expect(g.querySelector('path')?.getAttribute('fill')).toBe('#c22f17');
    const id = /url\(#(.+)\)/.exec(g.getAttribute('clip-path') ?? '')?.[1] ?? '';
    return container.ownerDocument.getElementById(id)?.querySelector('path')?.getAttribute('d');
  });
  expect(clips[0]).toMatch(/^M0[ ,]0/);
  expect(clips[1]).toMatch(/^M20[ ,]20/);
});
