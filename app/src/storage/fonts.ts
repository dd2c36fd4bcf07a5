import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { OWN_FACES } from '@marginalis/core/type';
import { array, boolean, type InferType, object, string } from 'yup';
import { ByteStore } from './byteStore';

const list = createAsyncStorage('marginalis-font-list');
const files = new ByteStore('marginalis-fonts');

const fontsShape = array(
  object({
    /** The place among the faces that it has. */
    face: string().oneOf(OWN_FACES).required(),
    /** As its file is called. */
    label: string().max(200).required(),
    sha: string()
      .matches(/^[0-9a-f]{64}$/)
      .required(),
    /** Its licence lets it into copies. */
    mayEmbed: boolean().required(),
  }).required(),
)
  .max(OWN_FACES.length)
  .required();

/** A font file of the person's own that is kept on this device. */
export type KeptFont = Readonly<InferType<typeof fontsShape>[number]>;

/** The person's own fonts; none where none, or none that can be read, are kept. */
export async function readFonts(): Promise<readonly KeptFont[]> {
  try {
    return fontsShape.validateSync(JSON.parse((await list.getItem('fonts')) ?? '[]'));
  } catch {
    return [];
  }
}

const keepList = (fonts: readonly KeptFont[]): Promise<void> =>
  list.setItem('fonts', JSON.stringify(fonts));

/** Keeps a font beside the others. */
export async function keepFont(
  fonts: readonly KeptFont[],
  font: KeptFont,
  bytes: Uint8Array,
): Promise<void> {
  await files.keep(font.sha, bytes);
  await keepList([...fonts, font]);
}

/** Drops one of the fonts. */
export async function dropFont(fonts: readonly KeptFont[], font: KeptFont): Promise<void> {
  await keepList(fonts.filter(({ face }) => face !== font.face));
  await files.drop(font.sha);
}

/** The bytes of a font; null when they are not here. */
export const readFont = ({ sha }: KeptFont): Promise<Uint8Array | null> => files.read(sha);
