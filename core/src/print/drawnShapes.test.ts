import { drawnDotNear, drawnRuleNear, NO_SHAPES } from './drawnShapes.ts';

const shapes = {
  ...NO_SHAPES,
  rules: Float32Array.from([100, 200, 300, 200, 100, 400, 100, 400]),
  dots: Float32Array.from([50, 50, 58, 50]),
};

test('of dots the nearest within reach', () => {
  expect(drawnDotNear(shapes, { x: 53, y: 51 }, 8)).toEqual({ x: 50, y: 50 });
  expect(drawnDotNear(shapes, { x: 55, y: 50 }, 8)).toEqual({ x: 58, y: 50 });
  expect(drawnDotNear(shapes, { x: 55, y: 70 }, 8)).toBeNull();
});

test('of a rule the nearest place, or its end; a rule without length is none', () => {
  expect(drawnRuleNear(shapes, { x: 180, y: 203 }, 5)).toEqual({
    at: { x: 180, y: 200 },
    along: { x: 1, y: 0 },
  });
  expect(drawnRuleNear(shapes, { x: 104, y: 203 }, 5)?.at).toEqual({ x: 100, y: 200 });
  expect(drawnRuleNear(shapes, { x: 303, y: 198 }, 5)?.at).toEqual({ x: 300, y: 200 });
  expect(drawnRuleNear(shapes, { x: 180, y: 209 }, 5)).toBeNull();
  expect(drawnRuleNear(shapes, { x: 100, y: 400 }, 5)).toBeNull();
  expect(drawnRuleNear(NO_SHAPES, { x: 0, y: 0 }, 99)).toBeNull();
});
