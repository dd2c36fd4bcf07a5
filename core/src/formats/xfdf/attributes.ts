import type { Element as XmlElement } from '@xmldom/xmldom';
import type { Vec } from '../../geometry/index.ts';

/** An attribute; empty where there is none. */
export const wordOf = (one: XmlElement, name: string): string => one.getAttribute(name) ?? '';

/** Coordinates beyond are damage. */
const FARTHEST = 1e5;

/** Numbers that commas, semicolons or spaces part; none where anything else is among them. */
export function numbersOf(text: string): number[] {
  const parts = text.split(/[\s,;]+/).filter((part) => part !== '');
  const numbers = parts.map(Number);
  return numbers.every((n) => Number.isFinite(n) && Math.abs(n) <= FARTHEST) ? numbers : [];
}

/** The same as points. */
export function pointsOf(text: string): Vec[] {
  const n = numbersOf(text);
  return Array.from({ length: n.length >> 1 }, (_, k) => ({ x: n[2 * k], y: n[2 * k + 1] }));
}

/** `#rrggbb`; null for what is no colour. */
export const colourOf = (text: string): string | null =>
  /^#[0-9a-f]{6}$/i.test(text) ? text.toLowerCase() : null;
