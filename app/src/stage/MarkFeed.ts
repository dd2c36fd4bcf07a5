import type { DocState } from '@marginalis/core/document';
import type { MarkId } from '@marginalis/core/marks';

/** Where a stage learns what marks to show. */
export interface MarkFeed {
  subscribe(listener: () => void): () => void;
  getState(): DocState;
  /** Marks the eraser would take, shown faintly. */
  getDoomed(): ReadonlySet<MarkId>;
}
