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

/** A day, `YYYY-MM-DD`, empty for none, by the browser's own calendar. */
export function DayInput(props: {
  label: string;
  value: string;
  /** Of what is written, and of the frame. */
  colours: { readonly ink: string; readonly frame: string; readonly ground: string };
  font: string;
  onChange: (day: string) => void;
}) {
  const { label, value, colours, font, onChange } = props;
  return (
    <input
      type="date"
      aria-label={label}
      value={value}
      min="1900-01-01"
      max="2999-12-31"
      onChange={(e) => onChange(e.target.value)}
      style={{
        height: 46,
        minWidth: 0,
        boxSizing: 'border-box',
        padding: '0 10px',
        border: `1px solid ${colours.frame}`,
        borderRadius: 4,
        background: colours.ground,
        color: colours.ink,
        font: `16px ${font}`,
      }}
    />
  );
}

/** An address within a text, opened beside; following it is for `onFollow` to ask about first where that is given. */
export function InlineLink(props: {
  address: string;
  text: string;
  colour: string;
  onFollow?: (address: string) => void;
}) {
  const { address, text, colour, onFollow } = props;
  return (
    <a
      href={address}
      target="_blank"
      rel="noopener noreferrer"
      style={{ color: colour, overflowWrap: 'anywhere' }}
      onClick={(e) => {
        if (!onFollow) return;
        e.preventDefault();
        onFollow(address);
      }}
    >
      {text}
    </a>
  );
}
