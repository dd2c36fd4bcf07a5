import type { Page } from '@marginalis/core/document';
import {
  type DrawnShapes,
  EMPTY_PRINT,
  NO_SHAPES,
  type Print,
  type Told,
} from '@marginalis/core/print';
import { readSource } from '@/storage';
import { PrintReader } from '@/work';
import { passwordFor } from './passwords';

/** What is printed on the pages of an open document, read when it is first asked for. */
export class SourcePrint {
  private readonly readers = new Map<string, PrintReader>();

  /** The print of a page; paper of our own says nothing. @throws PrintError when it cannot be read */
  async of({ shows }: Page): Promise<Print> {
    return 'paper' in shows ? EMPTY_PRINT : this.readerOf(shows.source).page(shows.index);
  }

  /** The same if it has been read already. */
  known({ shows }: Page): Print | null {
    return 'paper' in shows
      ? EMPTY_PRINT
      : (this.readers.get(shows.source)?.known(shows.index) ?? null);
  }

  /** A page as it is told to those who do not see it; paper of our own says nothing. @throws PrintError when it cannot be read */
  async told({ shows }: Page): Promise<readonly Told[]> {
    return 'paper' in shows ? [] : this.readerOf(shows.source).told(shows.index);
  }

  /** The rules and dots that a page draws; paper of our own has none to meet. @throws PrintError when it cannot be read */
  async shapes({ shows }: Page): Promise<DrawnShapes> {
    return 'paper' in shows ? NO_SHAPES : this.readerOf(shows.source).shapes(shows.index);
  }

  /** The same if they have been read already. */
  knownShapes({ shows }: Page): DrawnShapes | null {
    return 'paper' in shows
      ? NO_SHAPES
      : (this.readers.get(shows.source)?.knownShapes(shows.index) ?? null);
  }

  /** What a source says is read once more when it is next asked for: it was locked. */
  forget(source: string): void {
    this.readers.get(source)?.close();
    this.readers.delete(source);
  }

  close(): void {
    for (const reader of this.readers.values()) reader.close();
    this.readers.clear();
  }

  /** Reads the print of a source. */
  readerOf(source: string): PrintReader {
    let reader = this.readers.get(source);
    if (!reader) {
      reader = new PrintReader(() => readSource(source), passwordFor(source));
      this.readers.set(source, reader);
    }
    return reader;
  }
}
