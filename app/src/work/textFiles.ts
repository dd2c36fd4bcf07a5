import type { TextFiles } from '@marginalis/core/copy';
import type { ShippedFace } from '@marginalis/core/type';
import { openFace, placeText, setBlock, setText } from '@marginalis/core/typesetter';
import type { FaceSources } from './contract';

async function readFile(address: string): Promise<Uint8Array> {
  const response = await fetch(address);
  if (!response.ok)
    throw new Error(`A font of the copy could not be fetched (${response.status}).`);
  return new Uint8Array(await response.arrayBuffer());
}

/** What the text of a copy is set with, in a worker. */
export const textFiles = ({ faces, own }: FaceSources): TextFiles => ({
  typesetter: { setText, placeText, setBlock },
  face: async (name) => {
    const file = own.find((one) => one.name === name);
    return openFace(name, file?.bytes ?? (await readFile(faces[name as ShippedFace])));
  },
  own: own.map(({ name }) => name),
});
