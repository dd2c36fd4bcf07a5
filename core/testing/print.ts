import type { RawPrint } from '../src/print/index.ts';

/** A line of type to be set: as wide as half its size for every character. */
export interface SetLine {
  readonly text: string;
  /** Where it begins, points. */
  readonly x: number;
  readonly y: number;
  readonly size?: number;
  /** Number of its face. */
  readonly face?: number;
  /** Radians counterclockwise. */
  readonly angle?: number;
  /** How far each character advances, in sizes; spaces as well. */
  readonly advance?: number;
  /** Spaces are left as room rather than drawn. */
  readonly bare?: boolean;
  /** Characters go down from one to the next, upright. */
  readonly down?: boolean;
}

/** The characters of lines as a reader of PDFs would give them, in the order of the lines. */
export function rawPrint(lines: readonly SetLine[]): RawPrint {
  const codes: number[] = [];
  const origins: number[] = [];
  const boxes: number[] = [];
  const sizes: number[] = [];
  const faces: number[] = [];
  const angles: number[] = [];
  for (const { text, x, y, size = 10, angle = 0, advance = 0.5, face = 1, bare, down } of lines) {
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    const step = advance * size;
    [...text].forEach((character, k) => {
      if (bare && character === ' ') return;
      const [ox, oy] = down ? [x, y - k * size] : [x + k * step * c, y + k * step * s];
      const width = down ? size : step;
      const corners = [0, width].flatMap((u) =>
        [-0.2 * size, 0.8 * size].map((v) => [ox + u * c - v * s, oy + u * s + v * c]),
      );
      codes.push(character.codePointAt(0) ?? 0);
      origins.push(ox, oy);
      boxes.push(
        Math.min(...corners.map(([a]) => a)),
        Math.min(...corners.map(([, b]) => b)),
        Math.max(...corners.map(([a]) => a)),
        Math.max(...corners.map(([, b]) => b)),
      );
      sizes.push(size);
      faces.push(face);
      angles.push(angle);
    });
  }
  return {
    codes: Uint32Array.from(codes),
    origins: Float32Array.from(origins),
    boxes: Float32Array.from(boxes),
    sizes: Float32Array.from(sizes),
    faces: Uint32Array.from(faces),
    angles: Float32Array.from(angles),
  };
}

/** Lines of a column, one beneath the other. */
export const column = (
  texts: readonly string[],
  x: number,
  top: number,
  more: Partial<SetLine> = {},
): SetLine[] => texts.map((text, k) => ({ text, x, y: top - 12 * k, ...more }));
