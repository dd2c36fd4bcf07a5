import { boxesMeet, type Box } from '../geometry/index.ts';
import type { Annotation } from './annotation.ts';

/** Which annotations of a file are those that were sent. */
export interface Recognised {
  /** By the name it was sent with: which of the file's it is. */
  readonly places: ReadonlyMap<string, number>;
  readonly indices: ReadonlySet<number>;
  /** Whether one that is not found has been taken out, as far as that can be said. */
  isGone(sent: Annotation): boolean;
}

/** Programs that write anew what they have not changed round its rectangle, points. */
const NEAR = 2;

/** What is known of an annotation that stood in the file before anything of ours did. */
export type CameAnnotation = Pick<Annotation, 'name' | 'page' | 'subtype' | 'rect'>;

/** Finds annotations again: by their names; where these are others now, by kind, place and, for answers, what they say. Those that `came` with the file are neither ours nor new. */
export function recognise(
  sent: readonly Annotation[],
  annotations: readonly Annotation[],
  came: readonly CameAnnotation[] = [],
): Recognised {
  const places = new Map<string, number>();
  const indices = new Set<number>();
  const take = (name: string, index: number): void => {
    places.set(name, index);
    indices.add(index);
  };
  const named = new Map<string, number>();
  annotations.forEach(({ name }, k) => {
    if (name !== '' && !named.has(name)) named.set(name, k);
  });
  for (const { name } of sent) {
    const index = named.get(name);
    if (index !== undefined) take(name, index);
  }
  const keepsNames = indices.size > 0;
  for (const one of came) {
    const first = (isIt: (other: Annotation) => boolean): number =>
      annotations.findIndex((other, k) => !indices.has(k) && isIt(other));
    const byName = one.name === '' ? -1 : first(({ name }) => name === one.name);
    const index = byName >= 0 ? byName : first((other) => isSamePlace(one, other));
    if (index >= 0) indices.add(index);
  }
  for (const one of sent) {
    if (places.has(one.name)) continue;
    const index = annotations.findIndex((other, k) => !indices.has(k) && isLike(one, other));
    if (index >= 0) take(one.name, index);
  }
  return {
    places,
    indices,
    isGone: (one) =>
      keepsNames && !annotations.some((other, k) => !indices.has(k) && mightBe(one, other)),
  };
}

function isLike(sent: Annotation, other: Annotation): boolean {
  if (sent.subtype !== other.subtype || sent.page !== other.page) return false;
  if ((sent.answers === null) !== (other.answers === null)) return false;
  if (sent.answers)
    return (
      sent.contents === other.contents &&
      sent.author === other.author &&
      sent.state?.says === other.state?.says
    );
  return isSamePlace(sent, other);
}

/** Whether another could be what has been sent, under another name and changed. */
const mightBe = (sent: Annotation, other: Annotation): boolean =>
  sent.subtype === other.subtype &&
  sent.page === other.page &&
  (!sent.rect || !other.rect || boxesMeet(sent.rect, other.rect));

const isSamePlace = (a: CameAnnotation, b: CameAnnotation): boolean =>
  a.subtype === b.subtype &&
  a.page === b.page &&
  a.rect !== null &&
  b.rect !== null &&
  isNear(a.rect, b.rect);

const isNear = (a: Box, b: Box): boolean =>
  Math.max(
    Math.abs(a.minX - b.minX),
    Math.abs(a.minY - b.minY),
    Math.abs(a.maxX - b.maxX),
    Math.abs(a.maxY - b.maxY),
  ) <= NEAR;
