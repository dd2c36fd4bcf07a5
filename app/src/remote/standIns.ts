import { FILE_NAME_HEADER, type StandIns, standInsSchema } from '@marginalis/core/wire';
import type { Schema } from 'yup';
import { ask, askJson } from './server';

/** What stands in for what this device may lack. */
export const readStandIns = (): Promise<StandIns> =>
  askJson<StandIns>(standInsSchema as Schema<StandIns>, '/api/stand-ins');

/** Hands a file to what stands in at an address of the server. @throws ServerError */
export const handOver = async (address: string, file: File): Promise<void> => {
  const headers = {
    'content-type': file.type,
    [FILE_NAME_HEADER]: encodeURIComponent(file.name),
  };
  await ask(address, { method: 'POST', headers, body: file });
};
