import { remarkRuns } from '../derived/index.ts';
import type { Task } from '../document/index.ts';
import type { NoteRecord, SaidRecord } from './noteRecords.ts';

/** What a text with notes alone is told besides them. */
export interface MarkdownOf {
  /** What the document is called. */
  readonly title: string;
  /** A time, given in ms since 1970, as people read it. */
  readonly when: (time: number) => string;
  /** What is to be done, and whether it is done, in words. */
  readonly task: (task: Task, done: boolean) => string;
}

/** Notes as Markdown (CommonMark): page by page, each with what it is about, what is said, by whom and when. */
export function notesMarkdown(notes: readonly NoteRecord[], of: MarkdownOf): string {
  const parts = [`# Notes on ${inLine(of.title)}`];
  let page: string | null = null;
  for (const note of notes) {
    if (note.page !== page) {
      page = note.page;
      parts.push(page === '' ? '## No longer on a page' : `## Page ${inLine(page)}`);
    }
    parts.push(`### ${note.number}`);
    if (note.quote !== '') parts.push(quoted(literal(note.quote)));
    note.said.forEach((said, k) => parts.push(saidOf(said, of, k > 0)));
    const aside = asideOf(note, of);
    if (aside !== '') parts.push(`_${aside}_`);
  }
  if (notes.length === 0) parts.push('There are none.');
  return `${parts.join('\n\n')}\n`;
}

/** A note itself as it stands; an answer as an item of a list. */
function saidOf(said: SaidRecord, { when }: MarkdownOf, isAnswer: boolean): string {
  const { author, madeAt, editedAt, text, written } = said;
  const by = [inLine(author), when(madeAt), editedAt === null ? '' : 'changed'];
  const what = text === '' && written ? '(written with the pen)' : emphasized(text);
  const line = `${what}\n\n— ${by.filter(Boolean).join(', ')}`;
  return isAnswer ? `- ${line.replaceAll('\n', '\n  ')}` : line;
}

function asideOf({ task, labels, settled }: NoteRecord, of: MarkdownOf): string {
  const asked = task ? of.task(task, settled !== null) : '';
  const ended = settled
    ? ['Settled', settled.by && `by ${settled.by}`, of.when(settled.at)].filter(Boolean).join(' ')
    : '';
  return [asked, ...labels, ended].filter(Boolean).map(inLine).join(' · ');
}

const quoted = (text: string): string => `> ${text.replaceAll('\n', '\n> ')}`;

/** What is said, with its emphasis and its addresses. */
const emphasized = (text: string): string =>
  inLines(
    remarkRuns(text)
      .map(({ text: said, bold, slanted, address }) => {
        const plain = address === null ? escaped(said) : linked(said, address);
        return bold ? `**${plain}**` : slanted ? `*${plain}*` : plain;
      })
      .join(''),
  );

/** What stands for a sign by name is read as that in an address too. */
function linked(said: string, address: string): string {
  const to = `<${address.replaceAll('&', '&amp;')}>`;
  return said === address ? to : `[${escaped(said)}](${to})`;
}

const literal = (text: string): string => inLines(escaped(text));
const inLine = (text: string): string => literal(text.replace(/\s+/g, ' ').trim());

/** Signs that mean nothing but themselves. */
const escaped = (text: string): string => text.replace(/[\\`*_{}[\]<>#|~&!]/g, '\\$&');

/** Lines that begin no list, heading or line across, and end where they end: in a hard break where the paragraph goes on. */
const inLines = (text: string): string =>
  text
    .replace(/\r\n?/g, '\n')
    .replace(/^[ \t]+|[ \t]+$/gm, '')
    .replace(/^([-+=]|\d+(?=[.)]))/gm, (sign) => (/\d/.test(sign) ? `${sign}\\` : `\\${sign}`))
    .replace(/([^\n])\n(?=[^\n])/g, '$1  \n');
