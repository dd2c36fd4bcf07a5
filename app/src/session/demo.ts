import type { DemoList } from '@marginalis/core/wire';
import { readDemoFile, readDemoList, ServerError } from '@/remote';
import { keepSeeded, wasSeeded } from '@/storage';
import { addDocument, type Added } from './desk';

/** The sample documents this server offers; none where it offers none or cannot be reached. */
export async function offeredDemos(): Promise<DemoList> {
  try {
    return await readDemoList();
  } catch (e) {
    if (e instanceof ServerError) return [];
    throw e;
  }
}

export async function addDemo(file: string, title: string, now: number): Promise<Added> {
  try {
    return await addDocument(`${title}.pdf`, await readDemoFile(file), now);
  } catch (e) {
    if (e instanceof ServerError) return { ok: false, message: e.message };
    throw e;
  }
}

/** Lays the first sample documents on a desk that never had any; true when it did. */
export async function seedDesk(now: number): Promise<boolean> {
  if (await wasSeeded()) return false;
  const demos = (await offeredDemos()).filter((d) => d.onDesk);
  // The first in the list lies on top, so it is laid down last.
  for (const [i, { file, title }] of [...demos].reverse().entries())
    await addDemo(file, title, now + i);
  if (demos.length > 0) await keepSeeded();
  return demos.length > 0;
}
