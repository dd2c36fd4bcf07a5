import {
  type PDFDict,
  PDFName,
  PDFObjectParser,
  type PDFObject,
  PDFRawStream,
  type PDFRef,
} from '@cantoo/pdf-lib';

/** The library's parser, as far as this file reaches into it. */
interface Parser {
  readonly bytes: { offset(): number; moveTo(offset: number): void };
  cryptoFactory?: unknown;
  parseDictOrStream(ref?: PDFRef): PDFObject;
}

const TYPE = PDFName.of('Type');
const CROSS_REFERENCES = PDFName.of('XRef');

const areCrossReferences = (dict: PDFDict): boolean => dict.get(TYPE) === CROSS_REFERENCES;

/**
 * Cross-reference streams are never encrypted (ISO 32000-2 7.5.8.2), but the library decrypts them with all else of a
 * locked file: what they say of the document's information is lost then. With this in place they are read as they are.
 * Does nothing where the library has changed.
 */
export function readCrossReferencesPlain(): void {
  const prototype = PDFObjectParser.prototype as unknown as Partial<Parser> & {
    readsPlain?: true;
  };
  const { parseDictOrStream } = prototype;
  if (prototype.readsPlain || !parseDictOrStream) return;
  prototype.readsPlain = true;
  prototype.parseDictOrStream = function (this: Parser, ref) {
    const start = this.bytes.offset();
    const read = parseDictOrStream.call(this, ref);
    const { cryptoFactory } = this;
    if (!cryptoFactory || !(read instanceof PDFRawStream) || !areCrossReferences(read.dict))
      return read;
    this.bytes.moveTo(start);
    this.cryptoFactory = undefined;
    try {
      return parseDictOrStream.call(this, ref);
    } finally {
      this.cryptoFactory = cryptoFactory;
    }
  };
}
