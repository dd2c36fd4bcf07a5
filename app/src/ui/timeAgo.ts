const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;

/** How long ago something was, in the middle of a sentence; times in ms since 1970. */
export function ago(then: number, now: number): string {
  const passed = Math.max(0, now - then);
  if (passed < MINUTE) return 'just now';
  if (passed < HOUR) return `${Math.floor(passed / MINUTE)} min ago`;
  if (passed < DAY) return `${Math.floor(passed / HOUR)} h ago`;
  if (passed < 2 * DAY) return 'yesterday';
  if (passed < 30 * DAY) return `${Math.floor(passed / DAY)} days ago`;
  return new Date(then).toLocaleDateString(undefined, {
    day: 'numeric',
    month: 'long',
    year: 'numeric',
  });
}

/** The same by itself. */
export function timeAgo(then: number, now: number): string {
  const said = ago(then, now);
  return said.charAt(0).toUpperCase() + said.slice(1);
}
