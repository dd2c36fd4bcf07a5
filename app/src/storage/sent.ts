import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { type InferType, number, object, string } from 'yup';

const store = createAsyncStorage('marginalis-sent');

const sentShape = object({
  /** When, ms since 1970. */
  at: number().required(),
  documentId: string().required(),
  /** What the document was called then. */
  title: string().required(),
  fileName: string().required(),
  as: string()
    .oneOf(['fixed', 'living', 'pictures', 'markdown', 'table'] as const)
    .required(),
  how: string()
    .oneOf(['download', 'share', 'clipboard', 'link', 'renewed', 'mail', 'print'] as const)
    .required(),
  /** Of the link it left by; null for another way. */
  token: string().nullable().default(null),
});

/** Something that has left. */
export type Sent = InferType<typeof sentShape>;

/** So many are remembered. */
const MOST = 500;
const SENT = 'sent/';

/** Every entry has a key of its own: two windows that send at once lose nothing. The keys are in order of time. */
const keyOf = (at: number): string =>
  `${SENT}${String(at).padStart(16, '0')}-${Math.random().toString(36).slice(2, 8)}`;

const keysOfSent = async (): Promise<string[]> =>
  (await store.getAllKeys()).filter((key) => key.startsWith(SENT)).sort();

/** Writes down what has left, and forgets the oldest where there are too many. */
export async function keepSent(sent: Sent): Promise<void> {
  await store.setItem(keyOf(sent.at), JSON.stringify(sent));
  const keys = await keysOfSent();
  for (const key of keys.slice(0, Math.max(0, keys.length - MOST))) await store.removeItem(key);
}

/** What has left this device, the last first; entries that cannot be read are passed over. */
export async function readSent(): Promise<Sent[]> {
  const keys = (await keysOfSent()).reverse();
  const texts = await store.getMany(keys);
  return keys.flatMap((key) => {
    try {
      return [sentShape.validateSync(JSON.parse(texts[key] ?? 'null'))];
    } catch {
      // Of another version: what it tells is gone, nothing else is.
      return [];
    }
  });
}
