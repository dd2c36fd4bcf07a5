import type { ComponentProps } from 'react';

/** The one place where plain elements of the page are used beside React Native's. */
export function Area(props: ComponentProps<'div'>) {
  return <div {...props} />;
}

/** Lies in its own box exactly, and leaves every touch to the application. */
export function Canvas({ style, ...props }: ComponentProps<'canvas'>) {
  return (
    <canvas
      {...props}
      style={{ display: 'block', alignSelf: 'flex-start', touchAction: 'none', ...style }}
    />
  );
}
