/** Passwords of locked documents, for as long as the tab is open; they are stored nowhere. */
const held = new Map<string, string>();

export const passwordFor = (source: string): string | undefined => held.get(source);
export const holdPassword = (source: string, password: string): void => {
  held.set(source, password);
};
