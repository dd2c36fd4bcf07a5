import { PDFArray, PDFDict, type PDFDocument, PDFName, PDFRef } from '@cantoo/pdf-lib';
import type { ObjectCopier } from './objectCopier.ts';

const name = (text: string): PDFName => PDFName.of(text);
const [LAYERS, GROUPS, CONFIG, ON, OFF, BASE] = [
  ...['OCProperties', 'OCGs', 'D', 'ON', 'OFF', 'BaseState'],
].map(name);

const refsIn = (dict: PDFDict | null, key: PDFName): PDFRef[] => {
  const array = dict?.lookup(key);
  return array instanceof PDFArray
    ? array.asArray().flatMap((one) => (one instanceof PDFRef ? [one] : []))
    : [];
};

const dictIn = (dict: PDFDict | null, key: PDFName): PDFDict | null => {
  const found = dict?.lookup(key);
  return found instanceof PDFDict ? found : null;
};

/** Layers (ISO 32000-1 §8.11) of pages that were copied are as they were, on or off: what was not seen is not seen. */
export function bringLayers(into: PDFDocument, other: PDFDocument, copier: ObjectCopier): void {
  const theirs = dictIn(other.catalog, LAYERS);
  const config = dictIn(theirs, CONFIG);
  const come = refsIn(theirs, GROUPS).flatMap((ref) => {
    const there = copier.copied(ref);
    return there ? [{ ref, there }] : [];
  });
  if (come.length === 0) return;
  const wasOffUnlessOn = config?.lookup(BASE) === OFF;
  const [on, off] = [ON, OFF].map((key) => new Set(refsIn(config, key)));
  const isOff = (ref: PDFRef): boolean => off.has(ref) || (wasOffUnlessOn && !on.has(ref));
  const { catalog, context } = into;
  const own = dictIn(catalog, LAYERS) ?? (context.obj({}) as PDFDict);
  catalog.set(LAYERS, own);
  const shown = dictIn(own, CONFIG) ?? (context.obj({}) as PDFDict);
  own.set(CONFIG, shown);
  const add = (dict: PDFDict, key: PDFName, refs: readonly PDFRef[]): void => {
    if (refs.length > 0) dict.set(key, context.obj([...refsIn(dict, key), ...refs]));
  };
  add(
    own,
    GROUPS,
    come.map(({ there }) => there),
  );
  add(
    shown,
    OFF,
    come.flatMap(({ ref, there }) => (isOff(ref) ? [there] : [])),
  );
  // Where layers are off unless they are said to be on, these are said to be.
  const isOffUnlessOn = shown.lookup(BASE) === OFF;
  add(
    shown,
    ON,
    isOffUnlessOn ? come.flatMap(({ ref, there }) => (isOff(ref) ? [] : [there])) : [],
  );
}
