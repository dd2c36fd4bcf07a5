import type { DocState } from '@marginalis/core/document';
import type { MarkId } from '@marginalis/core/marks';

/** Where a stage learns what marks to show. */
export interface MarkFeed {
  subscribe(listener: () => void): () => void;
  getState(): DocState;
  /** Marks the eraser would take, shown faintly. */
  getDoomed(): ReadonlySet<MarkId>;
}

/** What a document's store must tell for its marks to be shown. */
export interface MarkedDocument {
  subscribe(listener: () => void): () => void;
  getState(): {
    readonly document: DocState;
    /** The document as it would be if what is being done were done now. */
    readonly draft: DocState | null;
    readonly doomed: ReadonlySet<MarkId>;
  };
}
