import { readFileSync } from 'node:fs';

/** What a browser holds once the samples are laid out; made by desk.setup.ts. */
export const LAID_OUT = '.cache/e2e/desk.json';
/** For tests that begin with a browser that has never been here. */
export const NEVER_BEEN_HERE = { cookies: [], origins: [] };

interface SetupState {
  readonly origins: readonly {
    readonly indexedDB: readonly {
      readonly stores: readonly {
        readonly records: readonly { readonly key?: string; readonly value?: unknown }[];
      }[];
    }[];
  }[];
}

/** The id under which a sample document was laid out. */
export function idOf(title: string): string {
  const { origins } = JSON.parse(readFileSync(LAID_OUT, 'utf8')) as SetupState;
  const stores = origins.flatMap(({ indexedDB }) => indexedDB.flatMap((db) => db.stores));
  for (const { key, value } of stores.flatMap(({ records }) => records))
    if (key?.startsWith('document/')) {
      const { id, title: its } = JSON.parse(value as string) as { id: string; title: string };
      if (its === title) return id;
    }
  throw new Error(`No sample document is called ${title}.`);
}
