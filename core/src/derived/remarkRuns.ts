/** A piece of a remark as it is shown. */
export interface RemarkRun {
  readonly text: string;
  readonly bold: boolean;
  readonly slanted: boolean;
  /** Where it leads: what looks like an address with http, https or mailto; null where it leads nowhere. */
  readonly address: string | null;
}

/** Addresses of the web and of people, as they are typed. */
const ADDRESS = /(?:https?:\/\/|mailto:)[^\s<>"*]+|[\w.+-]+@[\w-]+(?:\.[\w-]+)+/giu;
/** What ends a sentence rather than an address. */
const TRAILING = /[.,;:!?'’”»)\]]+$/u;
/** `**bold**` and `*slanted*`: signs that touch what they emphasize, stand at the edges of words, and are not far apart. */
const EMPHASIS =
  /(?<![\p{L}\p{N}*])(?:\*\*(?![\s*])(.{1,500}?)(?<![\s*])\*\*|\*(?![\s*])([^*\n]{1,500}?)(?<!\s)\*)(?![\p{L}\p{N}*])/gu;

/** A remark in the pieces in which it is shown: emphasis without its signs, addresses as what can be followed. Joined they say all of it. */
export function remarkRuns(text: string): RemarkRun[] {
  const runs: RemarkRun[] = [];
  let from = 0;
  for (const found of text.matchAll(EMPHASIS)) {
    runs.push(...withAddresses(text.slice(from, found.index), PLAIN));
    const bold: string | undefined = found[1];
    runs.push(
      ...withAddresses(bold ?? found[2], { bold: bold !== undefined, slanted: bold === undefined }),
    );
    from = found.index + found[0].length;
  }
  return [...runs, ...withAddresses(text.slice(from), PLAIN)];
}

/** A remark as plain text, without the signs of emphasis. */
export const plainRemark = (text: string): string =>
  remarkRuns(text)
    .map((run) => run.text)
    .join('');

const PLAIN = { bold: false, slanted: false };

function withAddresses(text: string, emphasis: Pick<RemarkRun, 'bold' | 'slanted'>): RemarkRun[] {
  const runs: RemarkRun[] = [];
  const add = (piece: string, address: string | null): void => {
    if (piece !== '') runs.push({ text: piece, ...emphasis, address });
  };
  let from = 0;
  for (const found of text.matchAll(ADDRESS)) {
    const shown = withoutEnd(found[0]);
    add(text.slice(from, found.index), null);
    const address = /^(?:https?:|mailto:)/i.test(shown) ? shown : `mailto:${shown}`;
    add(shown, address);
    from = found.index + shown.length;
  }
  add(text.slice(from), null);
  return runs;
}

/** An address without the punctuation of the sentence around it; a bracket that it opens itself stays. */
function withoutEnd(address: string): string {
  const end = TRAILING.exec(address)?.[0] ?? '';
  const bare = address.slice(0, address.length - end.length);
  return end.startsWith(')') && bare.includes('(') && !bare.includes(')') ? `${bare})` : bare;
}
