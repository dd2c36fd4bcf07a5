import { PDFDict, PDFName, type PDFObject, type PDFPage, type PDFStream } from '@cantoo/pdf-lib';
import { IDENTITY, type Matrix, thenMatrix } from '../../geometry/index.ts';
import { numbersOf } from '../annotations/read.ts';
import { edited } from './edits.ts';
import { operationsOf } from './operations.ts';
import { pageContent, streamBytes } from './pageContent.ts';
import { type ShownFont, shownFont, type TextTrouble } from './shownFont.ts';
import { type ShownLetter, TextPass } from './textPass.ts';

const name = (text: string): PDFName => PDFName.of(text);
/** Forms within forms, and how often any is drawn: more is made to run in circles. */
const DEEPEST = 12;
const MOST_FORMS = 2_000;

/**
 * Takes letters out of the content of a page, and of the forms it draws, so that nothing of them is left there; everything else stays byte for byte, and where
 * it is. What is written in place of a marked section's own letters (ActualText, §14.9.4) goes with them.
 * @param isGone asked of every letter, once
 * @returns why some could not be told apart, and may be left; null where all could
 */
export function takeTextOut(
  page: PDFPage,
  isGone: (letter: ShownLetter) => boolean,
): TextTrouble | null {
  const walk = new Walk(page, isGone);
  const bytes = pageContent(page);
  const resources = page.node.Resources();
  const done = walk.content(bytes, resources, IDENTITY, 0);
  if (done) {
    const { context } = page.doc;
    page.node.set(name('Contents'), context.register(context.flateStream(done.bytes)));
    if (done.forms.size > 0) page.node.set(name('Resources'), withForms(resources, done.forms));
  }
  return walk.trouble;
}

function withForms(resources: PDFDict | undefined, forms: ReadonlyMap<string, PDFObject>): PDFDict {
  if (!resources) throw new RangeError('Forms are named by resources.');
  const own = resources.clone();
  const held = own.lookup(name('XObject'));
  const named = held instanceof PDFDict ? held.clone() : own.context.obj({});
  for (const [key, ref] of forms) named.set(name(key), ref);
  own.set(name('XObject'), named);
  return own;
}

class Walk {
  trouble: TextTrouble | null = null;
  private readonly fonts = new Map<PDFDict, ShownFont | TextTrouble>();
  private made = 0;
  private drawn = 0;

  constructor(
    private readonly page: PDFPage,
    private readonly isGone: (letter: ShownLetter) => boolean,
  ) {}

  /** The content without the letters, and forms that are drawn instead of others; null where nothing of it goes. */
  content(
    bytes: Uint8Array,
    resources: PDFDict | undefined,
    base: Matrix,
    depth: number,
  ): { readonly bytes: Uint8Array; readonly forms: ReadonlyMap<string, PDFObject> } | null {
    const forms = new Map<string, PDFObject>();
    const pass = new TextPass(
      {
        isGone: this.isGone,
        fontOf: (font) => this.fontOf(font),
        drawn: (form, ctm) => {
          const other = this.form(form, resources, ctm, depth);
          if (!other) return null;
          const key = this.newName(resources);
          forms.set(key, other);
          return key;
        },
        tell: (trouble) => (this.trouble = trouble),
      },
      resources,
      base,
    );
    for (const operation of operationsOf(bytes)) pass.take(operation);
    const edits = pass.end();
    return edits.length === 0 ? null : { bytes: edited(bytes, edits), forms };
  }

  /** A name that no form of these resources has. */
  private newName(resources: PDFDict | undefined): string {
    const held = resources?.lookup(name('XObject'));
    for (;;) {
      const key = `MarginalisForm${(this.made += 1)}`;
      if (!(held instanceof PDFDict) || !held.has(name(key))) return key;
    }
  }

  /** A form without the letters; null where none of its own goes. */
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
    const { context } = this.page.doc;
    const copy = context.flateStream(done.bytes);
    for (const [key, value] of form.dict.entries())
      if (!['Length', 'Filter', 'DecodeParms'].includes(key.decodeText()))
        copy.dict.set(key, value);
    if (done.forms.size > 0) copy.dict.set(name('Resources'), withForms(resources, done.forms));
    return context.register(copy);
  }

  private fontOf(font: PDFDict): ShownFont | TextTrouble {
    let known = this.fonts.get(font);
    if (known === undefined) this.fonts.set(font, (known = shownFont(font)));
    return known;
  }
}
