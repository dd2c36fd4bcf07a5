import { type DeskDocument, readSource } from '@/storage';
import { PdfPictures } from '@/work';
import { passwordFor } from './passwords';

const BYTES_GONE =
  'Its bytes are no longer in the browser’s storage. Open the file again from where you have it; the marks are still here.';

/** Opens the file of a document, with the password that this tab was told. @throws Error in words where its bytes are gone or cannot be read */
export const openSourceFile = ({ source }: DeskDocument): Promise<PdfPictures> => openFile(source);

/** The same of any source. @throws Error in words where its bytes are gone or cannot be read */
export async function openFile(source: string): Promise<PdfPictures> {
  const bytes = await readSource(source);
  if (!bytes) throw new Error(BYTES_GONE);
  return PdfPictures.open(bytes, passwordFor(source));
}
