import { type InferType, number, object, string } from 'yup';
import { type KeptFiles, openKeptFiles } from './keptFiles.ts';

const schema = object({
  at: number().required(),
  name: string().required(),
  type: string().required(),
  size: number().required(),
});
/** What is shown of a file that was handed over. */
export type HandedOver = InferType<typeof schema> & { readonly id: string };

/** Stands in for something of a device that takes files, such as a printer: it keeps them, and does nothing. */
export interface Device extends Omit<KeptFiles<InferType<typeof schema>>, 'keep'> {
  take(name: string, type: string, bytes: Uint8Array): Promise<void>;
}

/** Files it keeps; those before them it forgets. */
const MOST_KEPT = 10;

/** @param at the folder that files are kept in */
export async function openDevice(at: string, now: () => number): Promise<Device> {
  const files = await openKeptFiles(at, { schema, ending: 'file', most: MOST_KEPT, now });
  return {
    take: (name, type, bytes) => files.keep({ at: now(), name, type, size: bytes.length }, bytes),
    list: () => files.list(),
    read: (id) => files.read(id),
  };
}
