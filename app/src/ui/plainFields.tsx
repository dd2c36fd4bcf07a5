import type { ComponentProps } from 'react';

/** Fields of the page's own, for what stands exactly where a page has it; elsewhere {@link Field} is used. */

export function PlainInput(props: ComponentProps<'input'>) {
  return <input {...props} />;
}

export function PlainTextArea(props: ComponentProps<'textarea'>) {
  return <textarea {...props} />;
}

/** One of several, or several of them, by the browser's own list. */
export function PlainSelect({
  choices,
  ...props
}: ComponentProps<'select'> & {
  readonly choices: readonly { readonly value: string; readonly says: string }[];
}) {
  return (
    <select {...props}>
      {choices.map(({ value, says }, k) => (
        <option key={k} value={value}>
          {says}
        </option>
      ))}
    </select>
  );
}

/** What is offered beside a field in which something else may be typed too. */
export function Suggestions({
  id,
  choices,
}: {
  id: string;
  choices: readonly { readonly says: string }[];
}) {
  return (
    <datalist id={id}>
      {choices.map(({ says }, k) => (
        <option key={k} value={says} />
      ))}
    </datalist>
  );
}
