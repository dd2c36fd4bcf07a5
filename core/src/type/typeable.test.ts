import fc from 'fast-check';
import { typeable } from './typeable.ts';

test('line ends become line feeds, and what cannot be seen goes', () => {
  expect(typeable('dry\r\nzone\rwet\u0000\u0007\u009b\tend\n')).toBe('dry\nzone\nwet\tend\n');
  expect(typeable('e\u0301 \u200d שלום')).toBe('e\u0301 \u200d שלום');
});

test('what can be typed stays as it is', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'binary' }), (text) => {
      const once = typeable(text);
      expect(typeable(once)).toBe(once);
      expect(once).not.toMatch(/[\r\u0000]/);
    }),
  );
});
