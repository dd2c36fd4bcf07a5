import { type Happened, type ListedMark, remarkInWords } from '@marginalis/core/derived';

const DID = {
  note: 'wrote a note',
  answer: 'answered a note',
  reword: 'changed a note',
  settle: 'settled a note',
} as const;

/** Letters of a note that are told. */
const TOLD = 80;

/** What somebody did, and what that was about, in words. */
export function inWords(happened: Happened): { readonly did: string; readonly about: string } {
  if (happened.did === 'mark') return ofMarks(happened.marks);
  const { remarks } = happened.note.thread;
  const [first] = remarks;
  const answer = [...remarks].reverse().find(({ madeAt }) => madeAt === happened.at);
  const told = remarkInWords((happened.did === 'answer' && answer) || first);
  return { did: DID[happened.did], about: told.slice(0, TOLD) };
}

function ofMarks(marks: readonly ListedMark[]): { did: string; about: string } {
  const [first] = marks;
  const { name, text } = first.words;
  return marks.length === 1
    ? { did: 'made a mark', about: text ? `${name}: ${text.slice(0, TOLD)}` : name }
    : { did: `made ${marks.length} marks`, about: countedBy(marks) };
}

/** How many there are of each sort: “12 Ink, 2 Highlight”. */
function countedBy(marks: readonly ListedMark[]): string {
  const counts = new Map<string, number>();
  for (const { words } of marks) counts.set(words.name, (counts.get(words.name) ?? 0) + 1);
  return [...counts]
    .sort((a, b) => b[1] - a[1])
    .map(([name, count]) => `${name} ${count}`)
    .join(', ');
}
