/** Millimetres a point. */
export const MM = 25.4 / 72;

/** The sides of a page, as it is seen. */
export const SIDES = [
  { side: 'top', label: 'Top, mm' },
  { side: 'right', label: 'Right, mm' },
  { side: 'bottom', label: 'Bottom, mm' },
  { side: 'left', label: 'Left, mm' },
] as const;
