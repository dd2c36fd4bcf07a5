import type { LinkRecord } from './linkRecord.ts';

/** Keeps links and their files; names are hashes of tokens, 64 hex digits. */
export interface LinkStore {
  /**
   * Writes the file as its bytes come, then the record, with its size.
   * @throws LinkStoreFull, and whatever `bytes` throws; nothing is left behind then
   */
  create(
    hash: string,
    record: Omit<LinkRecord, 'size'>,
    bytes: AsyncIterable<Uint8Array>,
  ): Promise<LinkRecord>;
  /**
   * Puts another file in the place of a link's once all of it is there. @throws LinkGone when the link was withdrawn
   * while it came, and as `create` does
   */
  replace(hash: string, fileName: string, bytes: AsyncIterable<Uint8Array>): Promise<LinkRecord>;
  find(hash: string): Promise<LinkRecord | null>;
  /** Writes down that somebody has opened it; when, and nothing else. */
  opened(hash: string, at: number): Promise<void>;
  /** How often it was opened, counted up to 10,000, and the last times, newest first, ms since 1970. */
  openings(hash: string): Promise<{ readonly count: number; readonly times: readonly number[] }>;
  /** Puts the notes that guests are shown beside a link that is there, in the place of earlier ones. @throws LinkStoreFull, LinkGone */
  keepNotes(hash: string, notes: string): Promise<void>;
  /** As they were put there; null where none were. */
  notes(hash: string): Promise<string | null>;
  /** Adds a line to the answers of guests; false when there are `most` already. @throws LinkStoreFull, LinkGone */
  addAnswer(hash: string, line: string, most: number): Promise<boolean>;
  /** Their lines, oldest first. */
  answers(hash: string): Promise<readonly string[]>;
  /** Path on this machine at which the stored file can be read for a while; null when it is not there. */
  filePath(hash: string): Promise<string | null>;
  /** Keeps the record, so that guests are told, and drops the file. */
  withdraw(hash: string, at: number): Promise<void>;
  /** Drops files of expired links, and records a while after that, and what a crash left behind. */
  sweep(now: number): Promise<number>;
  /** Bytes that all files together take. */
  held(): Promise<number>;
  /** @throws when what is stored cannot be reached */
  check(): Promise<void>;
}

/** Guests of an expired link are told so for this long; then it is as if it had never been, ms. */
export const REMEMBERED = 30 * 24 * 3600 * 1000;
/** What belongs to no link, and has not been written to for so long, belongs to nobody, ms. */
export const STRAY_AFTER = 3600 * 1000;
/** What all files together may take by default: 20 GB. */
export const MOST_BYTES = 20e9;
/** Openings of one link that are written down. */
export const MOST_OPENINGS = 10_000;
/** Of these the owner is told so many. */
export const LAST_OPENINGS = 20;

/** Thrown when the files of all links together would take more than the store may hold. */
export class LinkStoreFull extends Error {
  override readonly name = 'LinkStoreFull';
  constructor() {
    super('The link store is full.');
  }
}

/** Thrown when a link is not there any more. */
export class LinkGone extends Error {
  override readonly name = 'LinkGone';
  constructor() {
    super('The link is not there any more.');
  }
}
