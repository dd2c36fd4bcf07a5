import { array, type InferType, number, object, string } from 'yup';
import { LimitedStore } from './limited';

/** Sources whose headings are kept. */
const MOST = 60;

const store = new LimitedStore('marginalis-headings', MOST);

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
    return headingsShape.validateSync(JSON.parse((await store.get(source)) ?? 'null'));
  } catch {
    return null;
  }
}

export const keepHeadings = (source: string, headings: KeptHeadings): Promise<void> =>
  store.put(
    source,
    JSON.stringify(headings.map(({ text, page, level, at }) => ({ text, page, level, at }))),
  );
