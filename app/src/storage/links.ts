import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { array, boolean, type InferType, number, object, string } from 'yup';

/** Where links were kept before they had a file of their own. */
const store = createAsyncStorage('marginalis-settings');

const linkShape = object({
  token: string().required(),
  ownerKey: string().required(),
  expiresAt: number().required(),
  fileName: string().required(),
  /** Guests are asked for a password. */
  locked: boolean().default(false),
  /** Guests get pictures of the pages, and not the file. */
  viewOnly: boolean().default(false),
  /** Guests may answer the notes; and so many of their answers have been taken into the document. */
  mayAnswer: boolean().default(false),
  answersTaken: number().integer().min(0).default(0),
  /** It was taken back; it stays here so that what was sent can say so. */
  withdrawn: boolean().default(false),
});

/** A link this desk made; the key that withdraws it is nowhere else. */
export type KeptLink = InferType<typeof linkShape>;

export async function readLinks(documentId: string): Promise<KeptLink[]> {
  try {
    return array(linkShape)
      .required()
      .validateSync(JSON.parse((await store.getItem(`links/${documentId}`)) ?? '[]'));
  } catch {
    // Unreadable links cannot be withdrawn from here any more; they still expire on the server.
    return [];
  }
}

export const keepLinks = (documentId: string, links: readonly KeptLink[]): Promise<void> =>
  store.setItem(`links/${documentId}`, JSON.stringify(links));
