import {
  PDFArray,
  PDFDict,
  PDFHexString,
  PDFName,
  PDFNumber,
  type PDFObject,
  PDFString,
} from '@cantoo/pdf-lib';

/** Deeper trees are damage. */
const DEEPEST = 200;

export type Pair = readonly [key: PDFObject, value: PDFObject];

/** The pairs of a number or a name tree (ISO 32000-1 §7.9.6, §7.9.7), in order. */
export function treeOf(node: unknown, list: 'Nums' | 'Names', depth = 0): Pair[] {
  if (!(node instanceof PDFDict) || depth > DEEPEST) return [];
  const own: Pair[] = [];
  const pairs = node.lookup(PDFName.of(list));
  if (pairs instanceof PDFArray)
    for (let i = 0; i + 1 < pairs.size(); i += 2) {
      const key = pairs.lookup(i);
      const isKey = [PDFNumber, PDFString, PDFHexString].some((kind) => key instanceof kind);
      if (key && isKey) own.push([key, pairs.get(i + 1)]);
    }
  const kids = node.lookup(PDFName.of('Kids'));
  if (!(kids instanceof PDFArray)) return own;
  const beneath = kids.asArray().flatMap((_, i) => treeOf(kids.lookup(i), list, depth + 1));
  return [...own, ...beneath];
}

/** Puts a pair into a number tree whose key is larger than all that are there. */
export function pushNumber(tree: PDFDict, key: number, value: PDFObject): void {
  const { context } = tree;
  const kids = tree.lookup(PDFName.of('Kids'));
  const pair = context.obj([key, value]);
  if (kids instanceof PDFArray) {
    kids.push(context.register(context.obj({ Limits: [key, key], Nums: pair })));
    return;
  }
  const pairs = tree.lookup(PDFName.of('Nums'));
  if (pairs instanceof PDFArray) for (const one of pair.asArray()) pairs.push(one);
  else tree.set(PDFName.of('Nums'), pair);
}
