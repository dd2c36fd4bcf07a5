import {
  PDFArray,
  type PDFContext,
  PDFDict,
  PDFNull,
  type PDFObject,
  PDFRef,
  PDFStream,
} from '@cantoo/pdf-lib';

/** The largest object number readers need to take (ISO 32000-1, annex C). */
const LARGEST_NUMBER = 8_388_607;
const ROOTS = ['Root', 'Info', 'Encrypt', 'ID'] as const;

type Container = PDFDict | PDFArray;

/**
 * Drops every object that cannot be reached from the trailer, so that what was taken out of a document is not in
 * its bytes, and makes the rest sound to number: references that lead nowhere become null, and objects of a later
 * generation or with an enormous number, which damage leaves behind, get a number of their own. Otherwise the
 * cross-references would point beside their objects.
 */
export function keepReachable(context: PDFContext): void {
  const { refs, containers } = reached(context);
  for (const [ref] of context.enumerateIndirectObjects()) if (!refs.has(ref)) context.delete(ref);
  renumber(context, refs, containers);
}

/** Everything that can be reached; references that lead nowhere are null afterwards. */
function reached(context: PDFContext): { refs: Set<PDFRef>; containers: Set<Container> } {
  const refs = new Set<PDFRef>();
  const containers = new Set<Container>();
  const waiting: (Container | PDFStream)[] = [];
  /** What should stand in place of a value. */
  const visited = (value: PDFObject): PDFObject => {
    if (!(value instanceof PDFRef)) {
      if (holdsMore(value)) waiting.push(value);
      return value;
    }
    if (refs.has(value)) return value;
    const object = context.lookup(value);
    if (object === undefined) return PDFNull;
    refs.add(value);
    if (holdsMore(object)) waiting.push(object);
    return value;
  };
  replaceRoots(context, visited);
  for (let object = waiting.pop(); object !== undefined; object = waiting.pop()) {
    const container = object instanceof PDFStream ? object.dict : object;
    if (containers.has(container)) continue;
    containers.add(container);
    replaceIn(container, visited);
  }
  return { refs, containers };
}

/** Most are numbers and names, which lead nowhere. */
const holdsMore = (object: PDFObject): object is Container | PDFStream =>
  object instanceof PDFDict || object instanceof PDFArray || object instanceof PDFStream;

function renumber(
  context: PDFContext,
  refs: ReadonlySet<PDFRef>,
  containers: ReadonlySet<Container>,
): void {
  const isOdd = ({ objectNumber, generationNumber }: PDFRef): boolean =>
    generationNumber !== 0 || objectNumber < 1 || objectNumber > LARGEST_NUMBER;
  let largest = 0;
  for (const ref of refs) if (!isOdd(ref)) largest = Math.max(largest, ref.objectNumber);
  const moved = new Map<PDFObject, PDFRef>();
  for (const ref of refs) if (isOdd(ref)) moved.set(ref, PDFRef.of(++largest));
  context.largestObjectNumber = largest;
  if (moved.size === 0) return;
  for (const [ref, object] of context.enumerateIndirectObjects()) {
    const to = moved.get(ref);
    if (!to) continue;
    context.delete(ref);
    context.assign(to, object);
  }
  const inPlace = (value: PDFObject): PDFObject => moved.get(value) ?? value;
  replaceRoots(context, inPlace);
  for (const container of containers) replaceIn(container, inPlace);
}

function replaceRoots({ trailerInfo }: PDFContext, by: (value: PDFObject) => PDFObject): void {
  for (const key of ROOTS) {
    const value = trailerInfo[key];
    if (!value) continue;
    const next = by(value);
    if (next === PDFNull) delete trailerInfo[key];
    else trailerInfo[key] = next;
  }
}

function replaceIn(container: Container, by: (value: PDFObject) => PDFObject): void {
  if (container instanceof PDFDict) {
    for (const [key, value] of container.entries()) {
      const next = by(value);
      if (next !== value) container.set(key, next);
    }
    return;
  }
  for (let i = 0; i < container.size(); i++) {
    const value = container.get(i);
    const next = by(value);
    if (next !== value) container.set(i, next);
  }
}
