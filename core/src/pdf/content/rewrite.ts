import { PDFDict, PDFName, type PDFObject, type PDFPage, type PDFStream } from '@cantoo/pdf-lib';
import { IDENTITY, type Matrix, thenMatrix } from '../../geometry/index.ts';
import { numbersOf } from '../annotations/read.ts';
import { type Edit, edited } from './edits.ts';
import { operationsOf, type PlacedOperation } from './operations.ts';
import { pageContent, streamBytes } from './pageContent.ts';
import { type ShownFont, shownFont, type TextTrouble } from './shownFont.ts';

const name = (text: string): PDFName => PDFName.of(text);
/** Forms within forms, and how often any is drawn: more is made to run in circles. */
const DEEPEST = 12;
const MOST_FORMS = 2_000;
/** What is said of a form's data as it was, and what may show it as it was. */
const OF_THE_DATA = new Set([
  ...['Length', 'Filter', 'DecodeParms', 'DL'],
  ...['Metadata', 'PieceInfo', 'Ref', 'OPI'],
]);

/** One reading of a content stream from its beginning to its end. */
export interface ContentPass {
  take(operation: PlacedOperation): void;
  /** What is to be written otherwise. */
  end(): readonly Edit[];
}

/** What a pass is given for the stream that it reads. */
export interface PassTools<Trouble> {
  readonly bytes: Uint8Array;
  readonly resources: PDFDict | undefined;
  /** From the stream's space to user space, where it begins. */
  readonly base: Matrix;
  /** How a font's letters are told apart. */
  fontOf(font: PDFDict): ShownFont | TextTrouble;
  /** A form, read by a pass of its own; null where nothing of it is written otherwise. */
  remade(form: PDFStream, ctm: Matrix): PDFObject | null;
  /** The name that the content has for an object among its resources from now on. */
  named(sort: ResourceSort, object: PDFObject): string;
  /** Something is not drawn as it was; forms that are written otherwise are told of without. */
  replaces(original: PDFStream): void;
  tell(trouble: Trouble | 'forms'): void;
}

type ResourceSort = 'XObject' | 'ExtGState';

/** What became of a page's content. */
export interface Rewritten<Trouble> {
  /** Why something could not be read, and may be left as it was; null where all could. */
  readonly trouble: Trouble | 'forms' | null;
  /** Forms and pictures in whose place others are drawn, or nothing: the file has them still, see {@link forgetReplaced}. */
  readonly replaced: readonly PDFStream[];
}

/**
 * Writes parts of a page's content otherwise, and of the forms that it draws; everything else stays byte for byte. A form that is changed becomes another one:
 * elsewhere it may be drawn as it was.
 * @param passOf reads one stream
 * @param drawings whether letters that are drawings (Type 3 fonts) are told apart too
 */
export function rewriteContent<Trouble>(
  page: PDFPage,
  passOf: (tools: PassTools<Trouble>) => ContentPass,
  drawings = false,
): Rewritten<Trouble> {
  const walk = new Walk(page, passOf, drawings);
  const bytes = pageContent(page);
  const resources = page.node.Resources();
  const done = walk.content(bytes, resources, IDENTITY, 0);
  if (done) {
    const { context } = page.doc;
    page.node.set(name('Contents'), context.register(context.flateStream(done.bytes)));
    if (done.added.length > 0) page.node.set(name('Resources'), withAdded(resources, done.added));
  }
  return { trouble: walk.trouble, replaced: [...walk.replaced] };
}

interface Added {
  readonly sort: ResourceSort;
  readonly key: string;
  readonly object: PDFObject;
}

function withAdded(resources: PDFDict | undefined, added: readonly Added[]): PDFDict {
  if (!resources) throw new RangeError('What is drawn is named by resources.');
  const own = resources.clone();
  for (const sort of new Set(added.map((one) => one.sort))) {
    const held = own.lookup(name(sort));
    const named = held instanceof PDFDict ? held.clone() : own.context.obj({});
    for (const one of added) if (one.sort === sort) named.set(name(one.key), one.object);
    own.set(name(sort), named);
  }
  return own;
}

class Walk<Trouble> {
  trouble: Trouble | 'forms' | null = null;
  readonly replaced = new Set<PDFStream>();
  private readonly fonts = new Map<PDFDict, ShownFont | TextTrouble>();
  private made = 0;
  private drawn = 0;

  constructor(
    private readonly page: PDFPage,
    private readonly passOf: (tools: PassTools<Trouble>) => ContentPass,
    private readonly drawings: boolean,
  ) {}

  /** The content as it is written otherwise, and what it names that was not there; null where nothing changes. */
  content(
    bytes: Uint8Array,
    resources: PDFDict | undefined,
    base: Matrix,
    depth: number,
  ): { readonly bytes: Uint8Array; readonly added: readonly Added[] } | null {
    const added: Added[] = [];
    const pass = this.passOf({
      ...{ bytes, resources, base },
      fontOf: (font) => this.fontOf(font),
      remade: (form, ctm) => this.form(form, resources, ctm, depth),
      named: (sort, object) => {
        const key = this.newName(resources, sort);
        added.push({ sort, key, object });
        return key;
      },
      replaces: (original) => this.replaced.add(original),
      tell: (trouble) => (this.trouble = trouble),
    });
    for (const operation of operationsOf(bytes)) pass.take(operation);
    const edits = pass.end();
    return edits.length === 0 ? null : { bytes: edited(bytes, edits), added };
  }

  /** A name that nothing of its sort has among these resources. */
  private newName(resources: PDFDict | undefined, sort: ResourceSort): string {
    const held = resources?.lookup(name(sort));
    for (;;) {
      const key = `Marginalis${(this.made += 1)}`;
      if (!(held instanceof PDFDict) || !held.has(name(key))) return key;
    }
  }

  private form(
    form: PDFStream,
    around: PDFDict | undefined,
    ctm: Matrix,
    depth: number,
  ): PDFObject | null {
    if (depth >= DEEPEST || (this.drawn += 1) > MOST_FORMS) {
      this.trouble = 'forms';
      return null;
    }
    const bytes = streamBytes(form);
    if (!bytes) return null;
    const numbers = numbersOf(form.dict.lookup(name('Matrix')));
    const own = numbers.length === 6 ? (numbers as unknown as Matrix) : IDENTITY;
    const held = form.dict.lookup(name('Resources'));
    const resources = held instanceof PDFDict ? held : around;
    const done = this.content(bytes, resources, thenMatrix(own, ctm), depth + 1);
    if (!done) return null;
    this.replaced.add(form);
    const { context } = this.page.doc;
    const copy = context.flateStream(done.bytes);
    for (const [key, value] of form.dict.entries())
      if (!OF_THE_DATA.has(key.decodeText())) copy.dict.set(key, value);
    if (done.added.length > 0) copy.dict.set(name('Resources'), withAdded(resources, done.added));
    return context.register(copy);
  }

  private fontOf(font: PDFDict): ShownFont | TextTrouble {
    let known = this.fonts.get(font);
    if (known === undefined) this.fonts.set(font, (known = shownFont(font, this.drawings)));
    return known;
  }
}
