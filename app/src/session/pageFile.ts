import { readSource } from '@/storage';
import { passwordFor } from './passwords';

/** Said where the bytes of a file are not there any more. */
export const BYTES_GONE =
  'The bytes of this document are no longer in storage. Open the file again.';

/** A page of a file, from 0, as what looks at it is told. */
export interface PageFile {
  readonly bytes: Uint8Array;
  readonly page: number;
  readonly password?: string;
}

/** The page of a file that a page shows; null where its bytes are gone. */
export async function pageFile({
  source,
  index,
}: {
  readonly source: string;
  readonly index: number;
}): Promise<PageFile | null> {
  const bytes = await readSource(source);
  const password = passwordFor(source);
  return bytes && { bytes, page: index, ...(password === undefined ? {} : { password }) };
}
