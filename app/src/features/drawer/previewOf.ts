import type { PageBox } from '@marginalis/core/geometry';
import type { Mark } from '@marginalis/core/kinds';
import { pictureOfMarks } from '@/stage';

/** Pixels of its longer side. */
const LARGEST = 320;

/** A small picture of marks as a data URL; empty where the browser makes none. */
export async function previewOf(marks: readonly Mark[], page: PageBox): Promise<string> {
  try {
    const blob = await pictureOfMarks(marks, page, LARGEST);
    return await new Promise((resolve, reject) => {
      const reader = new FileReader();
      reader.onload = () => resolve(String(reader.result));
      reader.onerror = () => reject(reader.error ?? new Error('It could not be read.'));
      reader.readAsDataURL(blob);
    });
  } catch (e) {
    console.warn('There is no picture of what was put in the drawer.', e);
    return '';
  }
}
