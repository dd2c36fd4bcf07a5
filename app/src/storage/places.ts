import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { boolean, type InferType, mixed, number, object, string } from 'yup';

const store = createAsyncStorage('marginalis-places');

const seenShape = object({
  page: string().required(),
  at: object({ x: number().required(), y: number().required() }).required(),
  zoom: number().positive().required(),
  fit: string()
    .oneOf(['width', 'page', 'free'] as const)
    .required(),
});

const placeShape = seenShape.shape({
  /** The panels that stood beside the pages, where there is room for any. */
  panels: object({
    roll: string().max(40).nullable().default(null),
    margin: string().max(40).nullable().default(null),
  }).default({ roll: null, margin: null }),
  /** How pages are arranged, and turned for reading, degrees. */
  view: object({
    across: mixed<1 | 2>()
      .oneOf([1, 2] as const)
      .required(),
    cover: boolean().required(),
    flow: string()
      .oneOf(['down', 'sideways'] as const)
      .required(),
    turn: mixed<0 | 90 | 180 | 270>()
      .oneOf([0, 90, 180, 270] as const)
      .required(),
  }).default({ across: 1, cover: true, flow: 'down', turn: 0 }),
  /** A place that was held. */
  held: seenShape.nullable().default(null),
  /** What stood beside it, where there is room for that: null for the same document. */
  beside: object({
    document: string().max(100).nullable().default(null),
    place: seenShape.nullable().default(null),
    /** What the first has of the width. */
    share: number().min(0).max(1).default(0.5),
  })
    .nullable()
    .default(null),
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
