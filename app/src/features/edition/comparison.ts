import { plainDocument } from '@marginalis/core/document';
import type { CarriedOver } from '@marginalis/core/edition';
import type { Form } from '@marginalis/core/fields';
import type { PageBox } from '@marginalis/core/geometry';
import { asField } from '@marginalis/core/kinds';
import { BYTES_GONE, type DocumentSession, passwordFor } from '@/session';
import { readSource } from '@/storage';
import { startWork, type Work, type WorkResult } from '@/work';

/** An edition that the marks are to go to. */
export interface NewFile {
  readonly source: string;
  readonly pages: readonly PageBox[];
}

export type Compared =
  | { readonly ok: true; readonly carried: CarriedOver }
  | { readonly ok: false; readonly message: string };

/** Compares the edition that a document shows with another one, in a worker. */
export class Comparison {
  private work: Work<CarriedOver> | null = null;
  private isStopped = false;

  constructor(
    private readonly session: DocumentSession,
    private readonly file: NewFile,
  ) {}

  async run(onProgress: (done: number, all: number) => void): Promise<Compared> {
    const { session, file } = this;
    const source = session.leadingSource();
    const [before, after] = await Promise.all([source, file.source].map(readSource));
    if (!before || !after) return { ok: false, message: BYTES_GONE };
    const opened = passwordFor(source);
    const locked = opened === undefined ? {} : { password: opened };
    const its = passwordFor(file.source);
    const known = await startWork('inspect', { bytes: before, ...locked }).result;
    if (!known.ok) return told(known);
    const form = await this.formOf(after, its);
    if (this.isStopped) return { ok: false, message: '' };
    this.work = startWork(
      'carryOver',
      {
        document: plainDocument(session.store.getState().document),
        source,
        was: { bytes: before, ...locked, pages: known.value.pages },
        is: {
          bytes: after,
          ...(its === undefined ? {} : { password: its }),
          pages: file.pages,
          ...form,
        },
      },
      onProgress,
    );
    const result = await this.work.result;
    return result.ok ? { ok: true, carried: result.value } : told(result);
  }

  /** What was filled in goes to the fields of the same names; where nothing was, no form is read. */
  private async formOf(bytes: Uint8Array, password: string | undefined): Promise<{ form?: Form }> {
    const { marks } = this.session.store.getState().document;
    const isFilled = [...marks.values()].some((on) => [...on.values()].some((one) => asField(one)));
    if (!isFilled) return {};
    const read = await startWork('form', {
      bytes,
      ...(password === undefined ? {} : { password }),
    }).result;
    return read.ok ? { form: read.value } : {};
  }

  stop(): void {
    this.isStopped = true;
    this.work?.stop();
  }
}

const told = ({ failure }: Extract<WorkResult<unknown>, { ok: false }>): Compared => ({
  ok: false,
  message: failure.kind === 'stopped' ? '' : failure.message,
});
