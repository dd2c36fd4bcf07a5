import type { Page } from '@marginalis/core/document';
import type { Vec } from '@marginalis/core/geometry';
import { placeNear, type Print } from '@marginalis/core/print';
import type { WordEnd } from '@/session';
import type { Reader } from '@/shell';
import { dragOverPages } from './dragOverPages';
import { type PagePart, partsBetween } from './partsBetween';

export interface EndDrag {
  /** The page the grip was taken on, from 0, and the place that it means there, in user space. */
  readonly index: number;
  readonly meant: Vec;
  /** The end that stays. */
  readonly other: WordEnd;
  /** Other pages are not gone over. */
  readonly within: boolean;
  readonly printOf: (page: Page) => Print | null;
  /** `done` when the end is let go. */
  readonly onChange: (parts: readonly PagePart[], done: boolean) => void;
}

/** Follows a pointer that has taken an end of words, until it is lifted. */
export function dragEnd(reader: Reader, down: PointerEvent, drag: EndDrag): void {
  const { session, stage } = reader;
  const { index, meant, other, within, printOf, onChange } = drag;
  let shown: readonly PagePart[] | null = null;
  dragOverPages(reader, down, {
    index,
    meant,
    follow(at) {
      const hit = stage.pageAt(at);
      const on = hit && !within ? hit.index : index;
      const { pages } = session.store.getState().document;
      const print = printOf(pages[on]);
      // It will be known when the pointer moves on.
      if (!print) return void session.print.of(pages[on]).catch(() => undefined);
      const place = placeNear(print, stage.toUser(on, at));
      const parts = place === null ? [] : partsBetween(pages, printOf, { page: on, place }, other);
      if (parts.length === 0) return;
      shown = parts;
      onChange(parts, false);
    },
    letGo: () => shown && onChange(shown, true),
  });
}
