import { pathRings } from '../../testing/shapes.ts';
import { ellipseInto } from './arc.ts';
import { isEmptyBox } from './box.ts';
import { drawPathInto, joinPaths, pathBounds, PathBuilder, VERB } from './path.ts';

function square(at: number) {
  const b = new PathBuilder();
  b.moveTo(at, 0);
  b.lineTo(at + 10, 0);
  b.lineTo(at + 10, 10);
  b.closePath();
  return b.build();
}

test('what is built is what is replayed', () => {
  const b = new PathBuilder();
  ellipseInto(b, { x: 5, y: 5 }, 4, 2, 0.3);
  b.moveTo(1, 2);
  b.lineTo(3, 4);
  const path = b.build();
  const again = new PathBuilder();
  drawPathInto(again, path);
  expect(again.build()).toEqual(path);
  expect([...path.verbs].filter((v) => v === VERB.C)).toHaveLength(4);
});

test('joined paths keep their order and their bounds', () => {
  const both = joinPaths([square(0), square(100)]);
  expect(pathRings(both)).toEqual([
    [0, 0, 10, 0, 10, 10],
    [100, 0, 110, 0, 110, 10],
  ]);
  expect(pathBounds(both)).toEqual({ minX: 0, minY: 0, maxX: 110, maxY: 10 });
  expect(isEmptyBox(pathBounds(joinPaths([])))).toBe(true);
});

test('rings of curves are refused, not guessed', () => {
  const b = new PathBuilder();
  ellipseInto(b, { x: 0, y: 0 }, 1, 1);
  expect(() => pathRings(b.build())).toThrow(RangeError);
});
