import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { type InferType, number, object, string } from 'yup';

const store = createAsyncStorage('marginalis-places');

const placeShape = object({
  page: string().required(),
  at: object({ x: number().required(), y: number().required() }).required(),
  zoom: number().positive().required(),
  fit: string()
    .oneOf(['width', 'page', 'free'] as const)
    .required(),
  /** The panels that stood beside the pages, where there is room for any. */
  panels: object({
    roll: string().max(40).nullable().default(null),
    margin: string().max(40).nullable().default(null),
  }).default({ roll: null, margin: null }),
});

/** What one saw of a document last. */
export type KeptPlace = InferType<typeof placeShape>;

/** Null where nothing is kept, or nothing that can be read: one begins at the beginning. */
export async function readPlace(documentId: string): Promise<KeptPlace | null> {
  try {
    return placeShape.validateSync(JSON.parse((await store.getItem(documentId)) ?? 'null'));
  } catch {
    return null;
  }
}

export const keepPlace = (documentId: string, place: KeptPlace): Promise<void> =>
  store.setItem(documentId, JSON.stringify(place));

export const dropPlace = (documentId: string): Promise<void> => store.removeItem(documentId);
