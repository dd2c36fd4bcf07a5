import type { FormField } from './form.ts';

/** Why a field cannot hold a value, as a sentence; null where it can. */
export function problemWith(field: FormField, value: readonly string[]): string | null {
  const { longest, choices, free, several, sort } = field;
  const [text = ''] = value;
  if (sort === 'text' && longest !== null && [...text].length > longest)
    return `At most ${longest} ${longest === 1 ? 'character' : 'characters'}: ${[...text].length - longest} too many.`;
  if (sort !== 'choice') return null;
  if (!several && value.length > 1) return 'Only one of these can be chosen.';
  const others = value.filter((one) => !choices.some((choice) => choice.value === one));
  if (!free && others.length > 0) return `“${others[0]}” is not among the choices.`;
  return null;
}
