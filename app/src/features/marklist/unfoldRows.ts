import type { ListedMark, ListRow } from '@marginalis/core/derived';

/** A row as it is shown: one mark, or marks that stand together and can be unfolded. */
export type ShownRow = { readonly key: string; readonly depth: number } & (
  | { readonly mark: ListedMark; readonly marks?: undefined }
  | { readonly marks: readonly ListedMark[]; readonly name: string; readonly holds: string }
);

const counted = (n: number, one: string): string => (n === 1 ? `1 ${one}` : `${n} ${one}s`);

/** The rows with those that are unfolded: lines open to their words, words to their strokes. */
export function unfoldRows(
  rows: readonly ListRow[],
  unfolded: ReadonlySet<string>,
): readonly ShownRow[] {
  return rows.flatMap((row): ShownRow[] => {
    if ('mark' in row) return [{ key: row.mark.mark.id, depth: 0, mark: row.mark }];
    const { id, marks, words } = row.line;
    const key = `line ${id}`;
    const line: ShownRow = {
      key,
      depth: 0,
      marks,
      name: 'Writing',
      holds: counted(words.length, 'word'),
    };
    return unfolded.has(key) ? [line, ...words.flatMap((word) => ofWord(word, unfolded))] : [line];
  });
}

function ofWord(marks: readonly ListedMark[], unfolded: ReadonlySet<string>): ShownRow[] {
  if (marks.length === 1) return [{ key: marks[0].mark.id, depth: 1, mark: marks[0] }];
  const key = `word ${marks[0].mark.id}`;
  const word: ShownRow = {
    key,
    depth: 1,
    marks,
    name: 'Word',
    holds: counted(marks.length, 'stroke'),
  };
  if (!unfolded.has(key)) return [word];
  return [word, ...marks.map((mark): ShownRow => ({ key: mark.mark.id, depth: 2, mark }))];
}
