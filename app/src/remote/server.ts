import {
  type DemoList,
  demoListSchema,
  type Meaning,
  meaningSchema,
  refusalSchema,
} from '@marginalis/core/wire';
import type { Schema } from 'yup';

/** Thrown when the server refused, in its words, or could not be reached. */
export class ServerError extends Error {
  override readonly name = 'ServerError';

  constructor(
    message: string,
    /** HTTP status; 0 when there was no answer. */
    readonly status: number,
    /** What came with the refusal, unchecked. */
    readonly body: unknown = null,
  ) {
    super(message);
  }
}

const UNREACHABLE =
  'The server cannot be reached. Everything but links still works; try again later.';

/** The answer of the server to a request it takes. @throws ServerError */
export async function ask(path: string, init?: RequestInit): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(path, init);
  } catch (e) {
    if (init?.signal?.aborted) throw e;
    throw new ServerError(UNREACHABLE, 0);
  }
  if (response.ok) return response;
  const body: unknown = await response.json().catch(() => null);
  const message = refusalSchema.isValidSync(body)
    ? body.message
    : `The server answered with status ${response.status}.`;
  throw new ServerError(message, response.status, body);
}

/** What the server answers, as its schema has it. @throws ServerError */
export async function askJson<T>(schema: Schema<T>, path: string, init?: RequestInit): Promise<T> {
  const body: unknown = await (await ask(path, init)).json();
  return (await schema.validate(body)) as T;
}

export const readDemoList = (): Promise<DemoList> =>
  askJson<DemoList>(demoListSchema as Schema<DemoList>, '/demo/index.json');

export const readDemoFile = async (file: string): Promise<Uint8Array> =>
  new Uint8Array(await (await ask(`/demo/${file}`)).arrayBuffer());

export const readMeaning = (word: string): Promise<Meaning> =>
  askJson<Meaning>(meaningSchema as Schema<Meaning>, `/api/words/${encodeURIComponent(word)}`);
