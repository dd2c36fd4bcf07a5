import { type Quad, sheetQuad } from '@marginalis/core/photographed';
import { LARGEST_FILE, pictureHead, PictureRefusal } from '@marginalis/core/pictures';
import type { PagePicture } from '@marginalis/core/pdf';
import { startWork } from '@/work';

/** A photograph of a sheet of paper, and the page that is made of it. */
export interface Photo {
  readonly id: string;
  readonly file: File;
  /** Where the browser has it. */
  readonly address: string;
  /** Width by height, as it is to be seen. */
  readonly aspect: number;
  /** In shares of its sides, from the sheet's upper left corner clockwise. */
  readonly corners: Quad;
  /** They were seen on it; else they are to be dragged there. */
  readonly isFound: boolean;
  readonly isLightEvened: boolean;
  /** What was made of it as it is now; null where that is still to be done. */
  readonly made: MadePage | null;
}

/** A page that was made of a photograph, and where the browser has it. */
export interface MadePage {
  readonly page: PagePicture;
  readonly address: string;
}

/** Where corners are that nobody has seen: within reach, away from the edges. */
const UNSEEN: Quad = sheetQuad(0.8, 0.8).map(({ x, y }) => ({
  x: x + 0.1,
  y: y + 0.1,
})) as unknown as Quad;

/** Reads a photograph and looks for the sheet on it. @throws PictureRefusal with a sentence for people */
export async function readPhoto(file: File): Promise<Photo> {
  if (file.size > LARGEST_FILE)
    throw new PictureRefusal('too-large', `“${file.name}” is larger than 60 MB.`);
  const head = pictureHead(new Uint8Array(await file.arrayBuffer()), file.name);
  if (head.format === 'svg')
    throw new PictureRefusal('no-picture', `“${file.name}” is a drawing, not a photograph.`);
  const found = await startWork('findSheet', { file, name: file.name }).result;
  if (!found.ok) throw new PictureRefusal('no-picture', failure(found.failure));
  const { width, height, corners } = found.value;
  return {
    id: crypto.randomUUID(),
    file,
    address: URL.createObjectURL(file),
    aspect: width / height,
    corners: corners ?? UNSEEN,
    isFound: corners !== null,
    isLightEvened: true,
    made: null,
  };
}

/** The page of a photograph. @throws PictureRefusal with a sentence for people */
export async function makePage({ file, corners, isLightEvened }: Photo): Promise<MadePage> {
  const asked = { file, name: file.name, corners, isLightEvened };
  const made = await startWork('straighten', asked).result;
  if (!made.ok) throw new PictureRefusal('no-picture', failure(made.failure));
  const bytes = made.value.bytes as Uint8Array<ArrayBuffer>;
  const address = URL.createObjectURL(new Blob([bytes], { type: 'image/jpeg' }));
  return { page: made.value, address };
}

const failure = (why: { readonly kind: string; readonly message?: string }): string =>
  why.message ?? 'The photograph could not be worked on.';

/** Gives back what the browser holds for a photograph. */
export function letGo({ address, made }: Photo): void {
  URL.revokeObjectURL(address);
  if (made) URL.revokeObjectURL(made.address);
}
