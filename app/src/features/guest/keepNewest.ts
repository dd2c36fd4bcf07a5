/** Puts something in a map that keeps no more than `most`; what was put there longest ago goes. */
export function keepNewest<T>(kept: Map<string, T>, key: string, value: T, most: number): void {
  kept.delete(key);
  kept.set(key, value);
  for (const [oldest] of kept) {
    if (kept.size <= most) break;
    kept.delete(oldest);
  }
}
