import { dropSource, readShelf } from '@/storage';

/** Drops sources that no document of the shelf refers to any more, those that were removed but can be put back included. */
export async function dropUnheld(sources: readonly string[]): Promise<void> {
  const { documents } = await readShelf();
  const held = new Set(documents.flatMap((d) => [d.source, ...d.sources]));
  for (const source of sources) if (!held.has(source)) await dropSource(source);
}
