import { PictureError, type PdfPictures } from '@/work';
import { openFile } from './sourceFile';

/** The files that the pages of an open document come from: the one that it came as, and those whose pages were added. */
export class SourceFiles {
  private readonly open = new Map<string, PdfPictures>();
  private readonly opening = new Map<string, Promise<PdfPictures | null>>();
  private isClosed = false;

  constructor(
    private readonly on: {
      /** A file is there that was not. */
      onOpened(source: string, file: PdfPictures): void;
      /** One is locked; its pages stay white until it is opened again. */
      onLocked(source: string): void;
      /** One cannot be opened, told in words; its pages stay white. */
      onTrouble(message: string): void;
    },
  ) {}

  hold(source: string, file: PdfPictures): void {
    this.open.set(source, file);
  }

  /** A file, by the SHA-256 of its bytes, that is open; one that is not is opened for the next time. */
  of = (source: string): PdfPictures | null => {
    const file = this.open.get(source);
    if (!file) void this.ensure(source);
    return file ?? null;
  };

  /** The file once it is open; null where it cannot be opened, which is told. */
  ensure(source: string): Promise<PdfPictures | null> {
    const known = this.open.get(source);
    if (known) return Promise.resolve(known);
    let opening = this.opening.get(source);
    if (!opening) this.opening.set(source, (opening = this.opened(source)));
    return opening;
  }

  /** The file is opened once more: it was locked, and is not any longer. */
  again(source: string): Promise<PdfPictures | null> {
    this.opening.delete(source);
    return this.ensure(source);
  }

  close(): void {
    this.isClosed = true;
    for (const file of this.open.values()) file.close();
    this.open.clear();
  }

  private async opened(source: string): Promise<PdfPictures | null> {
    try {
      const file = await openFile(source);
      if (this.isClosed) {
        file.close();
        return null;
      }
      this.open.set(source, file);
      this.on.onOpened(source, file);
      return file;
    } catch (e) {
      if (e instanceof PictureError && e.reason !== 'damaged') {
        this.on.onLocked(source);
        return null;
      }
      const why = e instanceof Error ? e.message : String(e);
      this.on.onTrouble(`Some pages of this document cannot be drawn. ${why}`);
      return null;
    }
  }
}
