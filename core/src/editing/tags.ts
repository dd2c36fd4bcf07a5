import {
  changeOf,
  type DocState,
  type Tag,
  type Thread,
  type Transaction,
} from '../document/index.ts';

/** A label as two would be told apart. */
const folded = (name: string): string => name.trim().toLocaleLowerCase();

/** Adds a label after all others, and gives it to a note; null when its name says nothing. One that is there already is given. */
export function addTag(
  { tags }: DocState,
  tag: Pick<Tag, 'id' | 'name' | 'colour'>,
  thread: Thread,
): Transaction | null {
  const name = tag.name.trim();
  if (name === '') return null;
  const known = [...tags.values()].find((one) => folded(one.name) === folded(name));
  const { id } = known ?? tag;
  if (thread.tags.includes(id)) return null;
  const order = Math.max(0, ...[...tags.values()].map((one) => one.order)) + 1;
  return {
    label: 'Label a note',
    changes: [
      ...(known ? [] : [changeOf('tag', null, { ...tag, name, order })]),
      changeOf('thread', thread, { ...thread, tags: [...thread.tags, id] }),
    ],
  };
}

/** Takes a label away, off every note that carries it. */
export function removeTag({ threads }: DocState, tag: Tag): Transaction {
  const carrying = [...threads.values()].filter(({ tags }) => tags.includes(tag.id));
  return {
    label: 'Remove a label',
    changes: [
      ...carrying.map((thread) =>
        changeOf('thread', thread, { ...thread, tags: thread.tags.filter((id) => id !== tag.id) }),
      ),
      changeOf('tag', tag, null),
    ],
  };
}
