import type { ComponentProps } from 'react';

/** The one place where plain elements of the page are used beside React Native's. */
export function Area(props: ComponentProps<'div'>) {
  return <div {...props} />;
}

/** The browser's own colour chooser, as large as a finger needs. */
export function ColourInput(props: {
  label: string;
  value: string;
  onChange: (colour: string) => void;
}) {
  const { label, value, onChange } = props;
  return (
    <input
      type="color"
      aria-label={label}
      value={value}
      onChange={(e) => onChange(e.target.value)}
      style={{
        width: 48,
        height: 44,
        padding: 2,
        border: 0,
        background: 'none',
        cursor: 'pointer',
      }}
    />
  );
}
