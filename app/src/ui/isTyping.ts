/** Whether a key, or what is pasted, is meant for a field: what is typed there is nobody else's. */
export const isTyping = ({ target }: Pick<Event, 'target'>): boolean =>
  target instanceof Element && target.closest('input, textarea, [contenteditable=true]') !== null;
