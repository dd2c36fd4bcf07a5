import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { array, type InferType, number, object, string } from 'yup';

const store = createAsyncStorage('marginalis-headings');

/** Sources whose headings are kept at least; beyond some more of them those kept first go. */
const KEPT = 60;
const SOME = 10;

const headingsShape = array(
  object({
    text: string().defined(),
    /** From 0. */
    page: number().integer().min(0).required(),
    level: number().integer().min(0).required(),
    at: object({ x: number().required(), y: number().required() }).required(),
  }).required(),
).required();

/** Headings of a source, in order. */
export type KeptHeadings = Readonly<InferType<typeof headingsShape>>;

/** The headings that were found in a source; null where nothing is kept, or nothing that can be read. */
export async function readHeadings(source: string): Promise<KeptHeadings | null> {
  try {
    return headingsShape.validateSync(JSON.parse((await store.getItem(source)) ?? 'null'));
  } catch {
    return null;
  }
}

export async function keepHeadings(source: string, headings: KeptHeadings): Promise<void> {
  const kept = headings.map(({ text, page, level, at }) => ({ text, page, level, at }));
  await store.setItem(source, JSON.stringify(kept));
  const sources = await store.getAllKeys();
  if (sources.length > KEPT + SOME)
    for (const old of sources.slice(0, sources.length - KEPT)) await store.removeItem(old);
}
