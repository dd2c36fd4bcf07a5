import { parseTraceData, TraceDataError } from './traceData.ts';

test('differences of first and second order hold for their channel until changed', () => {
  // The example of the InkML Recommendation, §3.3.1 (quoted from memory, worked out by hand).
  expect(parseTraceData(`1125 18432,'23'43,"7"-8,3-5,7 -3,6 2`)).toEqual([
    [1125, 18432],
    [1148, 18475],
    [1178, 18510],
    [1211, 18540],
    [1251, 18567],
    [1297, 18596],
  ]);
});

test('wildcards repeat, booleans are 1 and 0, and numbers may be hexadecimal', () => {
  expect(parseTraceData('#1F -#a, * 4')).toEqual([
    [31, -10],
    [31, 4],
  ]);
  expect(parseTraceData('1 T, 2 F')).toEqual([
    [1, 1],
    [2, 0],
  ]);
  expect(parseTraceData('1 ?')).toEqual([[1, NaN]]);
  expect(parseTraceData(' \n ')).toEqual([]);
});

test.each(['1 2,, 3 4', '1 2, x', '1 2 &', "1 '"])('told: %s', (text) => {
  expect(() => parseTraceData(text)).toThrow(TraceDataError);
});
