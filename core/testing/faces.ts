import { readFileSync } from 'node:fs';
import { faceFile as pathOf } from '../../cli/faces.ts';
import {
  type Face,
  type FaceName,
  FACES,
  type Fonts,
  type ShippedFace,
} from '../src/type/index.ts';
import { openFace } from '../src/type/openFace.ts';

const ships = (name: FaceName): name is ShippedFace => (FACES as readonly string[]).includes(name);

export function faceFile(name: FaceName): Uint8Array {
  if (!ships(name)) throw new Error(`The face ${name} does not ship.`);
  return new Uint8Array(readFileSync(pathOf(name)));
}

/** A face that ships, as a copy asks for it. */
export const loadFace = async (name: FaceName): Promise<Face> => openFace(name, faceFile(name));

/** Every face that ships, opened when first asked for. */
export function shippedFonts(): Fonts {
  const opened = new Map<FaceName, Face>();
  return {
    face(name) {
      if (!ships(name)) return null;
      let face = opened.get(name);
      if (!face) opened.set(name, (face = openFace(name, faceFile(name))));
      return face;
    },
  };
}
