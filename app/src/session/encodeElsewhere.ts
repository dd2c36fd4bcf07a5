import type { MarkRecord } from '@marginalis/core/marks';
import type { MarkLayer } from '@marginalis/core/pdf';
import { faceAddresses, ownFaces, startWork } from '@/work';

/** A page's marks encoded by a worker; null when that failed: then the copy tells what is wrong with them. */
export async function encodeElsewhere(marks: readonly MarkRecord[]): Promise<MarkLayer | null> {
  const own = await ownFaces.files();
  const result = await startWork('encodeMarks', { marks, faces: faceAddresses(), own }).result;
  return result.ok ? result.value : null;
}
