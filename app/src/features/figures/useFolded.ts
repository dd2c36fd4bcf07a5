import { useEffect, useState } from 'react';

/** An offer that nobody turns to folds to a tag after so long, ms. */
const FOLDS_AFTER = 6_000;

/** Whether an offer has folded; it does not while the pointer or the keyboard is on it. */
export function useFolded(): {
  readonly folded: boolean;
  readonly unfold: () => void;
  readonly onHeld: (held: boolean) => void;
} {
  const [folded, setFolded] = useState(false);
  const [held, setHeld] = useState(false);
  useEffect(() => {
    if (folded || held) return undefined;
    const fold = setTimeout(() => setFolded(true), FOLDS_AFTER);
    return () => clearTimeout(fold);
  }, [folded, held]);
  return { folded, unfold: () => setFolded(false), onHeld: setHeld };
}
