import { type DocState, marksOn, type PageMarks } from '@marginalis/core/document';
import { toMarkRecord } from '@marginalis/core/kinds';
import type { MarkRecord, PageId } from '@marginalis/core/marks';
import type { MarkLayer } from '@marginalis/core/pdf';

/** Pages are encoded only when nothing has changed for so long, ms. */
const QUIET = 3_000;
/** A fuller page costs more, and waits longer for its writer to be done with it, ms a mark. */
const QUIET_A_MARK = 10;

export interface CopyLayersPorts {
  /** The document as it is. */
  readonly current: () => DocState;
  /** Encodes a page's marks elsewhere; null when that could not be done. */
  readonly encode: (marks: readonly MarkRecord[]) => Promise<MarkLayer | null>;
  /** Calls back when the browser has nothing better to do. */
  readonly whenIdle: (act: () => void) => void;
}

/**
 * The marks of each page as a copy will hold them, made while nobody writes, so that a copy is ready soon after it is
 * asked for. Kept as long as the page's marks stay as they are.
 */
export class CopyLayers {
  private kept = new WeakMap<PageMarks, MarkLayer>();
  /** Pages that could not be encoded: not tried again until they change. */
  private readonly refused = new WeakSet<PageMarks>();
  private waiting: ReturnType<typeof setTimeout> | null = null;
  private encoding = false;
  /** When something changed last. */
  private touched = 0;
  private stopped = false;

  constructor(private readonly ports: CopyLayersPorts) {}

  /** Something has changed: what is not known any more is encoded once it is quiet. */
  touch = (): void => {
    this.touched = Date.now();
    this.waitFor(QUIET);
  };

  /** What marks are set in has changed: all are encoded anew. */
  forget = (): void => {
    this.kept = new WeakMap();
    this.touch();
  };

  private waitFor(ms: number): void {
    if (this.waiting) clearTimeout(this.waiting);
    if (this.stopped) return;
    this.waiting = setTimeout(() => {
      this.waiting = null;
      this.ports.whenIdle(() => void this.encodeNext());
    }, ms);
  }

  /** The layers of a document's pages, as far as they are known. */
  known(state: DocState): ReadonlyMap<PageId, MarkLayer> {
    const layers = new Map<PageId, MarkLayer>();
    for (const { id } of state.pages) {
      const layer = this.kept.get(marksOn(state, id));
      if (layer) layers.set(id, layer);
    }
    return layers;
  }

  stop(): void {
    this.stopped = true;
    if (this.waiting) clearTimeout(this.waiting);
    this.waiting = null;
  }

  /** One page after the other, until a change comes or all are known. */
  private async encodeNext(): Promise<void> {
    if (this.encoding || this.stopped || this.waiting) return;
    const state = this.ports.current();
    const marks = state.pages
      .map(({ id }) => marksOn(state, id))
      .find((m) => m.size > 0 && !this.kept.has(m) && !this.refused.has(m));
    if (!marks) return;
    const early = this.touched + QUIET_A_MARK * marks.size - Date.now();
    if (early > 0) return this.waitFor(early);
    this.encoding = true;
    const layer = await this.ports.encode([...marks.values()].map(toMarkRecord));
    this.encoding = false;
    if (layer) this.kept.set(marks, layer);
    else this.refused.add(marks);
    if (!this.stopped && !this.waiting) this.ports.whenIdle(() => void this.encodeNext());
  }
}
