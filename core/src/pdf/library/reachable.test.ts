import fc from 'fast-check';
import {
  PDFArray,
  PDFContext,
  PDFDict,
  PDFName,
  PDFNull,
  type PDFObject,
  PDFRef,
} from '@cantoo/pdf-lib';
import { pageObjects, rawPdf, rawStream, ascii, joined } from '../../../testing/rawPdf.ts';
import { emptyDocument } from '../../document/index.ts';
import { makeFixedCopy } from '../fixedCopy.ts';
import { openPdf } from '../openPdf.ts';
import { keepReachable } from './reachable.ts';

const refsOf = (context: PDFContext): string[] =>
  context.enumerateIndirectObjects().map(([ref]) => ref.toString());

test('what nothing leads to goes, what leads nowhere becomes null', () => {
  const context = PDFContext.create();
  const leaf = context.register(context.obj({ A: 1 }));
  const stray = context.register(context.obj({ Secret: 1 }));
  const gone = PDFRef.of(77);
  const root = context.register(context.obj({ Leaf: leaf, Gone: gone, List: [gone, leaf] }));
  context.trailerInfo.Root = root;
  keepReachable(context);
  expect(refsOf(context)).toEqual([leaf, root].map(String));
  expect(refsOf(context)).not.toContain(String(stray));
  const dict = context.lookup(root, PDFDict);
  expect(dict.get(PDFName.of('Gone'), true)).toBe(PDFNull);
  expect(dict.lookup(PDFName.of('List'), PDFArray).asArray()).toEqual([PDFNull, leaf]);
});

test('whatever numbers and generations objects have, afterwards each has a sound one of its own', () => {
  const number = fc.oneof(fc.integer({ min: 0, max: 12 }), fc.integer({ min: 8e6, max: 2 ** 33 }));
  const refs = fc.uniqueArray(fc.tuple(number, fc.integer({ min: 0, max: 3 })), {
    minLength: 1,
    maxLength: 12,
    selector: String,
  });
  fc.assert(
    fc.property(refs, (numbers) => {
      const context = PDFContext.create();
      const all = numbers.map(([n, g]) => PDFRef.of(n, g));
      // Each leads to the next, the last to the first again.
      all.forEach((ref, i) =>
        context.assign(ref, context.obj({ Own: i, Next: all[(i + 1) % all.length] })),
      );
      context.trailerInfo.Root = all[0];
      keepReachable(context);
      const kept = context.enumerateIndirectObjects();
      const own = kept.map(([ref]) => ref.objectNumber);
      expect(new Set(own).size).toBe(all.length);
      expect(context.largestObjectNumber).toBe(Math.max(...own));
      for (const [ref] of kept) {
        expect(ref.generationNumber).toBe(0);
        expect(ref.objectNumber).toBeGreaterThan(0);
        expect(ref.objectNumber).toBeLessThanOrEqual(8_388_607);
      }
      let at: PDFObject | undefined = context.trailerInfo.Root;
      for (let i = 0; i < all.length; i++) {
        const dict: PDFDict = context.lookup(at, PDFDict);
        expect(dict.get(PDFName.of('Own'))?.toString()).toBe(String(i));
        at = dict.get(PDFName.of('Next'));
      }
    }),
  );
});

test('objects that damage left behind, of another generation or an enormous number, do not shift the copy’s', async () => {
  const file = rawPdf([...pageObjects(), [4, rawStream('/Length 9', ascii('0 0 m 9 w'))]]);
  for (const stray of ['2 1', '0 65535', '99999999 0', '4294967299 0', '8388607 0']) {
    const damaged = joined(file, `\n${stray} obj\n<< /Stray true >>\nendobj\n`);
    const { bytes } = await makeFixedCopy(damaged, emptyDocument([]));
    const copy = await openPdf(bytes);
    expect(copy.getPageCount()).toBe(1);
    expect(
      copy.context
        .enumerateIndirectObjects()
        .map(([, o]) => String(o))
        .join(),
    ).not.toMatch(/Stray/);
    expect(copy.context.largestObjectNumber).toBeLessThan(20);
  }
});
