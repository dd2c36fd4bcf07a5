import { type Path, VERB, VERB_COORDS } from './path.ts';
import { lerp, type Vec } from './vec.ts';

/** Chords of one cubic; more would not be seen on any page. */
const MOST_CHORDS = 64;

/** Goes on with a line along a cubic Bézier from its last point, in chords that lie no farther off it than `flatness`. */
export function cubicInto(line: Vec[], b: Vec, c: Vec, d: Vec, flatness: number): void {
  const a = line[line.length - 1];
  // Cut into n, chords lie off by at most 3/4 of the larger second difference, over n² (Wang 1984; from memory).
  const bend = Math.max(
    Math.hypot(a.x - 2 * b.x + c.x, a.y - 2 * b.y + c.y),
    Math.hypot(b.x - 2 * c.x + d.x, b.y - 2 * c.y + d.y),
  );
  const count = Math.ceil(Math.sqrt((0.75 * bend) / flatness));
  const chords = Math.min(MOST_CHORDS, Math.max(1, count));
  for (let k = 1; k <= chords; k++) {
    const t = k / chords;
    const [p, q, r] = [lerp(a, b, t), lerp(b, c, t), lerp(c, d, t)];
    line.push(lerp(lerp(p, q, t), lerp(q, r, t), t));
  }
}

/** The lines of a path, its curves as chords that lie no farther off them than `flatness`; a closed one ends where it began. */
export function polylinesOf({ verbs, coords }: Path, flatness: number): Vec[][] {
  const lines: Vec[][] = [];
  let line: Vec[] = [];
  let at = 0;
  const point = (k: number): Vec => ({ x: coords[at + 2 * k], y: coords[at + 2 * k + 1] });
  for (const verb of verbs) {
    if (verb === VERB.M) lines.push((line = [point(0)]));
    else if (verb === VERB.L) line.push(point(0));
    else if (verb === VERB.C) cubicInto(line, point(0), point(1), point(2), flatness);
    else if (line.length > 0) line.push(line[0]);
    at += VERB_COORDS[verb];
  }
  return lines;
}

/** The parts of a path, each from where it is begun anew. */
export function partsOfPath({ verbs, coords }: Path): Path[] {
  const parts: Path[] = [];
  let [verb, coord] = [0, 0];
  const cut = (toVerb: number, toCoord: number): void => {
    if (toVerb > verb)
      parts.push({ verbs: verbs.slice(verb, toVerb), coords: coords.slice(coord, toCoord) });
    [verb, coord] = [toVerb, toCoord];
  };
  let at = 0;
  verbs.forEach((one, k) => {
    if (one === VERB.M) cut(k, at);
    at += VERB_COORDS[one];
  });
  cut(verbs.length, at);
  return parts;
}
