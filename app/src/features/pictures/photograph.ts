import { PictureRefusal } from '@marginalis/core/pictures';
import { offeredDemos } from '@/session';
import type { Reader, Spot } from '@/shell';
import { pickFile } from '@/ui';
import { putPictures } from './putPictures';
import { readSamplePhoto } from './samplePhoto';

/** Whether the device has a camera, as far as the browser says so; its name is told by nobody who was not allowed to. */
async function hasCamera(): Promise<boolean> {
  // Browsers that tell nothing here open the device's own camera, or its files.
  if (!navigator.mediaDevices?.enumerateDevices) return true;
  const devices = await navigator.mediaDevices.enumerateDevices();
  return devices.some(({ kind }) => kind === 'videoinput');
}

/** Puts what is photographed on a page. Where there is no camera, a file is asked for; with the sample data a sample photograph stands in. */
export async function photograph(reader: Reader, spot: Spot): Promise<void> {
  if (!(await hasCamera()) && (await offeredDemos()).length > 0) return putSample(reader, spot);
  const file = await pickFile('image/*', 'camera');
  if (file) await putPictures(reader, [file], spot);
}

async function putSample(reader: Reader, spot: Spot): Promise<void> {
  const { notices } = reader.session;
  try {
    await putPictures(reader, [await readSamplePhoto()], spot);
    notices.tell('There is no camera here: a sample photograph was put on the page.');
  } catch (e) {
    if (!(e instanceof PictureRefusal)) throw e;
    notices.tell(`There is no camera here, and the sample did not come: ${e.message}`);
  }
}
