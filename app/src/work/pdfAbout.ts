import { attachmentName, fileFacts, type FileFacts, plainText } from '@marginalis/core/about';
import type * as pdfjs from 'pdfjs-dist';
import { loadPdfJs } from './loadPdfJs';

/** More are not listed. */
const MOST_ATTACHMENTS = 200;
const MOST_LAYERS = 500;

/** A file that lies within the document. */
export interface Attachment {
  readonly name: string;
  readonly about: string | null;
  readonly bytes: Uint8Array;
}

/** A part of the pages that is shown or not. */
export interface Layer {
  readonly id: string;
  readonly name: string;
  readonly shown: boolean;
}

export interface AboutFile {
  readonly facts: FileFacts;
  /** Its author has told what is a heading, a list, a picture, for those who do not see it. */
  readonly tagged: boolean;
  /** It asks that its words be not copied. */
  readonly copyLocked: boolean;
}

/** What a file says about itself, besides the way through it. */
export class PdfAbout {
  private config: Promise<LayerConfig> | null = null;

  constructor(private readonly doc: pdfjs.PDFDocumentProxy) {}

  async read(): Promise<AboutFile> {
    const { PermissionFlag } = await loadPdfJs();
    const [{ info }, marked, permitted] = await Promise.all([
      this.doc.getMetadata(),
      this.doc.getMarkInfo(),
      this.doc.getPermissions(),
    ]);
    return {
      facts: fileFacts(info as Readonly<Record<string, unknown>>),
      tagged: marked?.Marked === true,
      copyLocked: permitted !== null && !permitted.includes(PermissionFlag.COPY),
    };
  }

  /** Whether it has a form, of either notation. */
  async hasForm(): Promise<boolean> {
    const { info } = await this.doc.getMetadata();
    const { IsAcroFormPresent, IsXFAPresent } = info as Readonly<Record<string, unknown>>;
    return IsAcroFormPresent === true || IsXFAPresent === true;
  }

  /** The files that lie within it, in order. */
  async attachments(): Promise<readonly Attachment[]> {
    const all = (await this.doc.getAttachments()) as Readonly<Record<string, unknown>> | null;
    return Object.values(all ?? {})
      .flatMap((one): Attachment[] => {
        const { filename, description, content } = (one ?? {}) as Record<string, unknown>;
        if (!(content instanceof Uint8Array)) return [];
        return [{ name: attachmentName(filename), about: plainText(description), bytes: content }];
      })
      .slice(0, MOST_ATTACHMENTS);
  }

  /** Its layers, in the order that the file lists them. */
  async layers(): Promise<readonly Layer[]> {
    const config = await this.shown();
    return [...config]
      .slice(0, MOST_LAYERS)
      .map(([id, group]) => ({ id, name: plainText(group.name) ?? 'Layer', shown: group.visible }));
  }

  /** Shows a layer, or does not, in every picture that is drawn from now on. */
  async show(layer: string, shown: boolean): Promise<void> {
    (await this.shown()).setVisibility(layer, shown);
  }

  /** What of the file is shown; as it came where nobody has changed it. */
  get changed(): Promise<LayerConfig> | undefined {
    return this.config ?? undefined;
  }

  private shown(): Promise<LayerConfig> {
    this.config ??= this.doc.getOptionalContentConfig();
    return this.config;
  }
}

type LayerConfig = Awaited<ReturnType<pdfjs.PDFDocumentProxy['getOptionalContentConfig']>> &
  Iterable<
    readonly [id: string, group: { readonly name: string | null; readonly visible: boolean }]
  >;
