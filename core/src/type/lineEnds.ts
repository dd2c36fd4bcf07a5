/// <reference path="./libraries.d.ts" />
import LineBreaker from 'linebreak';

/** Where lines may end, and where they must. */
export interface LineEnds {
  may(place: number): boolean;
  must(place: number): boolean;
}

export const NEW_LINE = /[\n\r\u2028\u2029\u000b\u000c\u0085]/;

/** By the Unicode Line Breaking Algorithm (UAX #14). */
export function endsOfLines(text: string): LineEnds {
  const flags = new Uint8Array(text.length + 1);
  const breaker = new LineBreaker(text);
  for (let next = breaker.nextBreak(); next; next = breaker.nextBreak())
    flags[next.position] = NEW_LINE.test(text[next.position - 1]) ? 2 : 1;
  return { may: (place) => flags[place] > 0, must: (place) => flags[place] === 2 };
}
