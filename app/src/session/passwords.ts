import type { Page } from '@marginalis/core/document';

/** Passwords of locked documents, for as long as the tab is open; they are stored nowhere. */
const held = new Map<string, string>();

export const passwordFor = (source: string): string | undefined => held.get(source);
export const holdPassword = (source: string, password: string): void => {
  held.set(source, password);
};

/** What opens the file that a page shows, where it is locked and this tab was told. */
export const passwordOf = ({ shows }: Pick<Page, 'shows'>): string | undefined =>
  'source' in shows ? held.get(shows.source) : undefined;
