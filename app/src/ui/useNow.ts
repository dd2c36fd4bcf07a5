import { useEffect, useState } from 'react';

/** The time in ms since 1970, told anew every `every` ms, for what is said relative to it. */
export function useNow(every = 60_000): number {
  const [now, setNow] = useState(Date.now);
  useEffect(() => {
    const clock = setInterval(() => setNow(Date.now()), every);
    return () => clearInterval(clock);
  }, [every]);
  return now;
}
