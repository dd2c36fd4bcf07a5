import { type EquationOutline, EquationRefusal } from '@marginalis/core/equations';
import { useEffect, useState } from 'react';
import { equationSetter } from '@/work';

export interface SetResult {
  /** What was set last; it stays in sight while something else is typed. */
  readonly outline: EquationOutline | null;
  /** What is wrong with what is typed now. */
  readonly problem: EquationRefusal | null;
  /** It is that of what is typed now. */
  readonly isSettled: boolean;
}

/** While somebody types nothing is set, ms. */
const PAUSE = 180;

/** What is typed as it is set, a moment after. */
export function useEquation(tex: string): SetResult {
  const [result, setResult] = useState<Omit<SetResult, 'isSettled'> & { readonly tex: string }>({
    tex: '',
    outline: null,
    problem: null,
  });
  useEffect(() => {
    if (tex.trim() === '') return undefined;
    let isWanted = true;
    const timer = setTimeout(() => {
      equationSetter.set(tex).then(
        (outline) => isWanted && setResult({ tex, outline, problem: null }),
        (e: unknown) => {
          if (!(e instanceof EquationRefusal)) throw e;
          if (isWanted) setResult(({ outline }) => ({ tex, outline, problem: e }));
        },
      );
    }, PAUSE);
    return () => {
      isWanted = false;
      clearTimeout(timer);
      equationSetter.forget(tex);
    };
  }, [tex]);
  if (tex.trim() === '') return { outline: null, problem: null, isSettled: true };
  return { ...result, isSettled: result.tex === tex };
}
