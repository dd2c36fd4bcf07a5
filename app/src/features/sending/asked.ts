import type { DocState } from '@marginalis/core/document';
import { markedPages, type NamedPages, pageRanges } from '@marginalis/core/leaving';
import type { Settings } from '@/storage';
import { canCopyPicture, type SystemWays } from './system';

/** What is to leave. */
export interface Asked {
  readonly what: Settings['sending']['what'] | 'some' | 'region';
  /** Pages as they are typed, where some are asked for. */
  readonly typed: string;
  readonly as: Settings['sending']['as'];
  /** Where the notes of a copy stand. */
  readonly notes: Settings['sending']['notes'];
  readonly how: Settings['sending']['how'];
  /** What kind pictures are of, and how many pixels an inch has. */
  readonly picture: Settings['sending']['picture'];
  readonly dpi: Settings['sending']['dpi'];
  /** How pages are put on the sheets that are printed. */
  readonly perSheet: Settings['sending']['perSheet'];
  readonly room: boolean;
  /** Whether what leaves says who made marks and notes. */
  readonly authors: boolean;
  /** What its pages are cut down from is left out of it. */
  readonly withoutCut: boolean;
  /** Dots an inch that pictures in a copy keep at most; 0 for as many as they have. */
  readonly smaller: Settings['sending']['smaller'];
}

/** The pages, from 0, that are to leave, or why there are none. `names` are what they are called, `current` is the one in sight. */
export function pagesAsked(
  { what, typed }: Pick<Asked, 'what' | 'typed'>,
  document: DocState,
  names: readonly string[],
  /** The page in sight; of a region its page. */
  current: number,
): NamedPages {
  switch (what) {
    case 'whole':
      return { ok: true, pages: names.map((_, index) => index) };
    case 'here':
    case 'region':
      return { ok: true, pages: [current] };
    case 'some':
      return pageRanges(typed, names);
    case 'marked': {
      const pages = markedPages(document);
      return pages.length > 0
        ? { ok: true, pages }
        : { ok: false, reason: 'There are no marks on any page yet.' };
    }
  }
}

/** Pages as they stand in a file’s name: `page 3`, `pages 2-5, 9`; empty for all of them. */
export function pagesInName(pages: readonly number[], names: readonly string[]): string {
  if (pages.length === names.length) return '';
  const runs: (readonly [from: number, to: number])[] = [];
  for (const page of pages) {
    const last = runs.at(-1);
    if (last?.[1] === page - 1) runs[runs.length - 1] = [last[0], page];
    else runs.push([page, page]);
  }
  const said = runs.map(([from, to]) =>
    from === to ? names[from] : `${names[from]}-${names[to]}`,
  );
  return `${pages.length === 1 ? 'page' : 'pages'} ${said.join(', ')}`;
}

/** Whether a copy of the pages is made for it: a PDF, or what becomes pictures. */
export const isCopy = (as: Asked['as']): as is 'fixed' | 'living' | 'pictures' =>
  as === 'fixed' || as === 'living' || as === 'pictures';

/** The ways out there are for so many pages of what is asked for. A link leads to a PDF, and the clipboard takes one PNG picture. */
export function waysFor(
  { as, picture }: Pick<Asked, 'as' | 'picture'>,
  pages: number,
  system: SystemWays,
): readonly Asked['how'][] {
  const isOnePng = as === 'pictures' && picture === 'png' && pages === 1;
  return [
    'download',
    ...(system.share ? (['share'] as const) : []),
    ...(isOnePng && canCopyPicture() ? (['clipboard'] as const) : []),
    ...(as === 'fixed' || as === 'living' ? (['link'] as const) : []),
    'mail',
    ...(as === 'fixed' && system.print ? (['print'] as const) : []),
  ];
}

/** Whether what leaves so can be made smaller: what is printed or drawn as pictures goes through no wire. */
export const canBeSmaller = ({ as }: Pick<Asked, 'as'>, how: Asked['how']): boolean =>
  (as === 'fixed' || as === 'living') && how !== 'print';

/** Dots an inch that pictures in the copy keep at most; null for as many as they have. */
export const dpiOf = (asked: Pick<Asked, 'as' | 'smaller'>, how: Asked['how']): number | null =>
  canBeSmaller(asked, how) && asked.smaller !== 0 ? asked.smaller : null;

/** The way asked for, where it is among those that there are. */
export const howOf = ({ how }: Pick<Asked, 'how'>, ways: readonly Asked['how'][]): Asked['how'] =>
  ways.includes(how) ? how : 'download';
