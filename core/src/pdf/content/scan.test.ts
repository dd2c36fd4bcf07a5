import fc from 'fast-check';
import { stateBalance } from './balance.ts';
import { contentCoverage } from './coverage.ts';
import { type Operation, scanContent } from './scan.ts';

const bytes = (text: string): Uint8Array => Uint8Array.from(text, (c) => c.charCodeAt(0));
function scanned(text: string): Operation[] {
  const out: Operation[] = [];
  scanContent(bytes(text), (o) => out.push({ ...o, numbers: [...o.numbers] }));
  return out;
}
const operators = (text: string): string[] => scanned(text).map((o) => o.operator);

test('operators come with the numbers and names before them', () => {
  expect(scanned('q 1 0 0 -1 .5 20.25 cm /Im0 Do Q')).toEqual([
    { operator: 'q', numbers: [], name: null, stringBytes: 0 },
    { operator: 'cm', numbers: [1, 0, 0, -1, 0.5, 20.25], name: null, stringBytes: 0 },
    { operator: 'Do', numbers: [], name: 'Im0', stringBytes: 0 },
    { operator: 'Q', numbers: [], name: null, stringBytes: 0 },
  ]);
});

test('what looks like an operator inside strings, comments, names and images is none', () => {
  expect(operators('(q (Q) \\) q) Tj % q Q q\n/q gs <71 20> Tj')).toEqual(['Tj', 'gs', 'Tj']);
  expect(operators('BI /W 2 /H 2 ID \x00q Q q\xff EI Q')).toEqual(['BI', 'ID', 'Q']);
  expect(operators('<< /A (q) /B [1 2 <51>] >> BDC EMC')).toEqual(['BDC', 'EMC']);
});

test('the balance tells saves and restores that lack their partner', () => {
  const balance = (text: string) => stateBalance(bytes(text));
  expect(balance('q Q q Q')).toEqual({ missingSaves: 0, missingRestores: 0, openSections: 0 });
  expect(balance('q q 1 w')).toEqual({ missingSaves: 0, missingRestores: 2, openSections: 0 });
  expect(balance('Q Q q')).toEqual({ missingSaves: 2, missingRestores: 1, openSections: 0 });
  expect(balance('/P BMC /P << >> BDC EMC EMC EMC /Q BMC').openSections).toBe(1);
});

test('however q and Q are mixed, evening them out makes the stack end where it began', () => {
  fc.assert(
    fc.property(fc.array(fc.constantFrom('q', 'Q', '1 w', '(q)Tj')), (parts) => {
      const { missingSaves, missingRestores } = stateBalance(bytes(parts.join(' ')));
      const even = [
        ...Array(missingSaves).fill('q'),
        ...parts,
        ...Array(missingRestores).fill('Q'),
      ];
      let depth = 0;
      for (const p of even) {
        if (p === 'q') depth++;
        if (p === 'Q') depth--;
        expect(depth).toBeGreaterThanOrEqual(0);
      }
      expect(depth).toBe(0);
    }),
  );
});

test('any bytes at all are walked to the end', () => {
  fc.assert(
    fc.property(fc.uint8Array({ maxLength: 400 }), (data) => {
      let count = 0;
      scanContent(data, () => count++);
      expect(count).toBeLessThanOrEqual(data.length);
    }),
  );
});

test('coverage: a large image without text is a scan, a small one is not', () => {
  const page = { minX: 0, minY: 0, maxX: 600, maxY: 800 };
  const isImage = (name: string) => name === 'Scan';
  const told = (text: string) => contentCoverage(bytes(text), page, isImage);
  expect(told('q 600 0 0 800 0 0 cm /Scan Do Q')).toEqual({ textBytes: 0, imageShare: 1 });
  expect(told('q 300 0 0 400 0 0 cm /Scan Do Q').imageShare).toBeCloseTo(0.25);
  expect(told('q .5 0 0 .5 0 0 cm q 600 0 0 800 0 0 cm /Scan Do Q Q').imageShare).toBeCloseTo(0.25);
  expect(told('600 0 0 800 0 0 cm /Form Do').imageShare).toBe(0);
  expect(told('BT (twelve bytes) Tj [(a) -20 (b)] TJ ET').textBytes).toBe(14);
});

test('tokens of any length are walked over', () => {
  for (const token of ['x', '7', '/N', '(']) {
    const content = bytes(`q ${token}${'0a'.repeat(300_000)} Q`);
    expect(() => scanContent(content, () => undefined)).not.toThrow();
  }
  expect(operators(`q ${'a'.repeat(200_000)} Q`)).toEqual(['q', '', 'Q']);
});
