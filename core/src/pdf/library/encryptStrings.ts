import {
  PDFArray,
  PDFDict,
  PDFHexString,
  PDFName,
  type PDFObject,
  type PDFRef,
  PDFStream,
  PDFString,
  PDFWriter,
} from '@cantoo/pdf-lib';

/** The library's writer, as far as this file reaches into it. */
interface Writer {
  readonly context: { readonly trailerInfo: { readonly Encrypt?: PDFObject } };
  /** Called for every object that is written by itself, not within an object stream. */
  encrypt(ref: PDFRef, object: PDFObject, security: Security): void;
}
interface Security {
  getEncryptFn(object: number, generation: number): (bytes: Uint8Array) => Uint8Array;
}

const TYPE = PDFName.of('Type');
const SIGNATURE = PDFName.of('Sig');
const CONTENTS = PDFName.of('Contents');

/**
 * The library encrypts streams, but no strings of objects that stand by themselves: the catalogue, pages, what describes a
 * stream (ISO 32000-2 7.6.2 wants all but the lock's own and the value of a signature). They could be read without the
 * password, and readers take them for encrypted. With this in place they are. Does nothing where the library has changed.
 */
export function encryptStrings(): void {
  const prototype = PDFWriter.prototype as unknown as Partial<Writer> & { encryptsStrings?: true };
  const { encrypt } = prototype;
  if (prototype.encryptsStrings || !encrypt) return;
  prototype.encryptsStrings = true;
  /** What is held in two places is encrypted once. */
  const done = new WeakSet<PDFObject>();
  prototype.encrypt = function (this: Writer, ref, object, security) {
    encrypt.call(this, ref, object, security);
    if (ref === this.context.trailerInfo.Encrypt) return;
    const encrypted = security.getEncryptFn(ref.objectNumber, ref.generationNumber);
    encryptWithin(object instanceof PDFStream ? object.dict : object, encrypted, done);
  };
}

function encryptWithin(
  container: PDFObject,
  encrypted: (bytes: Uint8Array) => Uint8Array,
  done: WeakSet<PDFObject>,
): void {
  if (done.has(container)) return;
  done.add(container);
  const written = (value: PDFObject): PDFObject => {
    if (value instanceof PDFString || value instanceof PDFHexString)
      return PDFHexString.fromBytes(encrypted(value.asBytes()));
    if (value instanceof PDFDict || value instanceof PDFArray)
      encryptWithin(value, encrypted, done);
    return value;
  };
  if (container instanceof PDFDict) {
    const isSignature = container.get(TYPE) === SIGNATURE;
    for (const [key, value] of container.entries())
      if (!(isSignature && key === CONTENTS)) container.set(key, written(value));
  } else if (container instanceof PDFArray)
    container.asArray().forEach((value, k) => container.set(k, written(value)));
}
