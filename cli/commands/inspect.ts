import { inspectPdf } from '@marginalis/core/pdf';
import type { Io } from '../io.ts';

/** What a PDF says of itself. */
export async function inspect(io: Io, file: string, password?: string): Promise<void> {
  io.result({ ok: true, ...(await inspectPdf(await io.read(file), password)) });
}
