import type { PageBox } from '@marginalis/core/geometry';
import type { Mark } from '@marginalis/core/kinds';
import { dataUrlOf } from './dataUrlOf';
import { pictureOfMarks } from './pictureOfMarks';

/** Pixels of its longer side. */
const LARGEST = 320;

/** A small picture of marks as a data URL; empty where the browser makes none. */
export async function previewOf(marks: readonly Mark[], page: PageBox): Promise<string> {
  try {
    return await dataUrlOf(await pictureOfMarks(marks, page, LARGEST));
  } catch (e) {
    console.warn('There is no small picture of these marks.', e);
    return '';
  }
}
