import type { DeskDocument } from '@/storage';

/** A document of one page as the desk knows it, with what a test wants otherwise. */
export const deskDocument = (part: Partial<DeskDocument> = {}): DeskDocument => ({
  id: 'd1',
  title: 'Tide log',
  fileName: 'tide-log.pdf',
  sources: [],
  source: 'a'.repeat(64),
  size: 9,
  pages: [{ box: { minX: 0, minY: 0, maxX: 600, maxY: 800 }, rotate: 0, userUnit: 1 }],
  scanned: false,
  signed: false,
  locked: false,
  rescued: false,
  addedAt: 0,
  workedAt: 0,
  removed: false,
  picture: null,
  marked: null,
  count: null,
  isPart: false,
  copyOf: null,
  cameAs: null,
  written: null,
  ...part,
});
