/** What is selected lies beneath ink of its own, which no highlighter has: it is no mark. */
export const CHOSEN = '#6f8fd0';
export const CHOSEN_OPACITY = 0.45;

/** What the chip beside them is called. */
export const CHIP = 'Selected words';
