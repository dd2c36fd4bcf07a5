import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { pageBoxShape } from '@marginalis/core/document';
import type { PageBox } from '@marginalis/core/geometry';
import { array, boolean, type InferType, mixed, number, object, string } from 'yup';

const store = createAsyncStorage('marginalis-shelf');

const documentShape = object({
  id: string().required(),
  title: string().required(),
  fileName: string().required(),
  source: string()
    .matches(/^[0-9a-f]{64}$/)
    .required(),
  /** Others that pages of it show, or showed in a step that can be undone. */
  sources: array(
    string()
      .matches(/^[0-9a-f]{64}$/)
      .required(),
  ).default([]),
  size: number().min(0).required(),
  pages: array(pageBoxShape).required(),
  scanned: boolean().required(),
  signed: boolean().required(),
  locked: boolean().required(),
  rescued: boolean().required(),
  addedAt: number().required(),
  workedAt: number().required(),
  /** Removed from the desk, to be dropped for good when the undo has passed. */
  removed: boolean().default(false),
  picture: string().nullable().default(null),
  /** The same with its marks, once there are any. */
  marked: string().nullable().default(null),
  /** How many pages it has by now, where these are other than it came with. */
  count: number().integer().min(1).nullable().default(null),
  /** It began as some pages of another: its file by itself is not what it is. */
  isPart: boolean().default(false),
  /** What it is a marked copy of. */
  copyOf: object({ title: string().required(), madeAt: number().required() })
    .nullable()
    .default(null),
  /** The file it came as, where its source is that without what other programs had written on it. */
  cameAs: string()
    .matches(/^[0-9a-f]{64}$/)
    .nullable()
    .default(null),
  /** What other programs have written on it, until somebody has said what is to become of that. */
  written: object({
    count: number().integer().min(1).required(),
    authors: array(string().required()).required(),
    left: mixed<Record<string, number>>().required(),
  })
    .nullable()
    .default(null),
});

/** A document as the desk knows it. `picture` is a data URL of its first page. */
export type DeskDocument = Omit<InferType<typeof documentShape>, 'pages'> & { pages: PageBox[] };

const DOCUMENT = 'document/';

/** Every document on the shelf; entries that cannot be read are counted, and left where they are. */
export async function readShelf(): Promise<{ documents: DeskDocument[]; unreadable: number }> {
  const keys = (await store.getAllKeys()).filter((k) => k.startsWith(DOCUMENT));
  const texts = await store.getMany(keys);
  const documents: DeskDocument[] = [];
  let unreadable = 0;
  for (const key of keys) {
    const document = readDocument(texts[key]);
    if (document) documents.push(document);
    else unreadable++;
  }
  return { documents, unreadable };
}

function readDocument(text: string | null): DeskDocument | null {
  try {
    return documentShape.validateSync(JSON.parse(text ?? 'null'), {
      strict: false,
    }) as DeskDocument;
  } catch {
    // Damaged or from another version: the caller says so.
    return null;
  }
}

export const findDocument = async (id: string): Promise<DeskDocument | null> =>
  readDocument(await store.getItem(DOCUMENT + id));

export const keepDocument = (document: DeskDocument): Promise<void> =>
  store.setItem(DOCUMENT + document.id, JSON.stringify(document));

export const dropDocument = (id: string): Promise<void> => store.removeItem(DOCUMENT + id);

/** Whether the sample documents were laid on this desk already; a person may have removed them since. */
export const wasSeeded = async (): Promise<boolean> => (await store.getItem('seeded')) !== null;
export const keepSeeded = (): Promise<void> => store.setItem('seeded', 'yes');
