import type { DeskDocument } from '@/storage';

type Written = NonNullable<DeskDocument['written']>;

const counted = (n: number, one: string, several = `${one}s`): string =>
  `${n} ${n === 1 ? one : several}`;

const listed = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;

/** People named before the others are only counted. */
const NAMED = 2;

/** What other programs have written on a document: "Ada and Tom have written on this PDF with another program: 5 marks and notes." */
export function writtenInWords({ count, authors }: Written): string {
  const others = authors.length - NAMED;
  const who = listed([
    ...authors.slice(0, NAMED),
    ...(others > 0 ? [counted(others, 'other')] : []),
  ]);
  const what = counted(count, 'mark or note', 'marks and notes');
  const verb = authors.length > 1 ? 'have' : 'has';
  return who === ''
    ? `There is writing of another program on this PDF: ${what}.`
    : `${who} ${verb} written on this PDF with another program: ${what}.`;
}

/** Kinds as people call them, one and several; as a file says them they would mean nothing to many. */
const KINDS: Readonly<Record<string, readonly [string, string]>> = {
  Stamp: ['stamp', 'stamps'],
  FileAttachment: ['attached file', 'attached files'],
  Ink: ['drawing', 'drawings'],
  Redact: ['redaction', 'redactions'],
  Text: ['empty note', 'empty notes'],
  FreeText: ['text box', 'text boxes'],
};

/** What stays in the print either way; null where nothing does. */
export function leftInWords({ left }: Written): string | null {
  const kinds = Object.entries(left).map(([kind, n]) => {
    const [one, several] = KINDS[kind] ?? ['other thing', 'other things'];
    return counted(n, one, several);
  });
  if (kinds.length === 0) return null;
  const isOne = Object.values(left).reduce((sum, n) => sum + n, 0) === 1;
  return `${listed(kinds)} ${isOne ? 'stays' : 'stay'} in the print either way.`;
}
