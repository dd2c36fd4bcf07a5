import {
  type PDFContext,
  type PDFDict,
  PDFName,
  PDFNumber,
  PDFObjectParser,
  PDFRawStream,
  PDFRef,
} from '@cantoo/pdf-lib';
import { statedLengths } from './statedLengths.ts';

/** The library's parser, as far as this file reaches into it. */
interface Parser {
  readonly bytes: {
    /** The whole file. */
    readonly bytes: Uint8Array;
    offset(): number;
    moveTo(offset: number): void;
  };
  readonly context: PDFContext;
  readonly cryptoFactory?: Cipher;
  /** The dictionary read last: a stream's own when its end is looked for. */
  lastDict?: PDFDict;
  parseDict(ref?: PDFRef): PDFDict;
  findEndOfStreamFallback(startPos: unknown): number;
}

interface Cipher {
  createCipherTransform(
    number: number,
    generation: number,
  ): { decryptBytes(bytes: Uint8Array): Uint8Array };
}

/** A stream whose length was not known when it was read. */
interface Open {
  readonly file: Uint8Array;
  readonly start: number;
  /** Where its keyword `endstream` begins. */
  readonly limit: number;
  readonly cipher: Cipher | undefined;
}

const ENDSTREAM = [...'endstream'].map((c) => c.charCodeAt(0));
const LENGTH = PDFName.of('Length');
const lengthsOf = new WeakMap<Uint8Array, ReadonlyMap<number, number>>();
const openStreams = new WeakMap<PDFContext, Map<PDFDict, Open>>();

/** Whether `endstream` stands at `at`, after a line end or other white space at most. */
function endsAt(file: Uint8Array, at: number): boolean {
  if (at > file.length) return false;
  while (file[at] <= 32) at++;
  return ENDSTREAM.every((c, i) => file[at + i] === c);
}

function lengthOf(parser: Parser, ref: PDFRef): number | null {
  const known = parser.context.lookup(ref);
  if (known instanceof PDFNumber) return known.asNumber();
  const file = parser.bytes.bytes;
  let lengths = lengthsOf.get(file);
  if (!lengths) lengthsOf.set(file, (lengths = statedLengths(file)));
  return lengths.get(ref.objectNumber) ?? null;
}

/**
 * Where a stream's length stands in another object, the library reads up to `endstream` and drops any line end
 * before it, though that may be data. With this in place such a stream is read by its length, from its own place;
 * one whose length stands in an object stream is remembered for {@link closeStreams}. Does nothing where the
 * library has changed.
 */
export function readStreamsByLength(): void {
  const prototype = PDFObjectParser.prototype as unknown as Partial<Parser> & { byLength?: true };
  const { parseDict, findEndOfStreamFallback } = prototype;
  if (prototype.byLength || !parseDict || !findEndOfStreamFallback) return;
  prototype.byLength = true;
  prototype.parseDict = function (this: Parser, ref) {
    return (this.lastDict = parseDict.call(this, ref));
  };
  prototype.findEndOfStreamFallback = function (this: Parser, startPos) {
    const dict = this.lastDict;
    const length = dict?.get(LENGTH);
    const file = this.bytes.bytes;
    if (!dict || !(length instanceof PDFRef) || !file)
      return findEndOfStreamFallback.call(this, startPos);
    const start = this.bytes.offset();
    const told = lengthOf(this, length);
    if (told !== null && endsAt(file, start + told)) {
      let after = start + told;
      while (file[after] <= 32) after++;
      this.bytes.moveTo(after + ENDSTREAM.length);
      return start + told;
    }
    const end = findEndOfStreamFallback.call(this, startPos);
    const limit = this.bytes.offset() - ENDSTREAM.length;
    const open = openStreams.get(this.context) ?? new Map<PDFDict, Open>();
    openStreams.set(
      this.context,
      open.set(dict, { file, start, limit, cipher: this.cryptoFactory }),
    );
    return end;
  };
}

/** Gives streams whose length became known only after they were read the bytes the library dropped at their end. */
export function closeStreams(context: PDFContext): void {
  const open = openStreams.get(context);
  if (!open) return;
  openStreams.delete(context);
  for (const [ref, object] of context.enumerateIndirectObjects()) {
    const place = object instanceof PDFRawStream ? open.get(object.dict) : undefined;
    if (!place || !(object instanceof PDFRawStream)) continue;
    const length = object.dict.lookup(LENGTH);
    if (!(length instanceof PDFNumber)) continue;
    const { file, start, limit, cipher } = place;
    const end = start + length.asNumber();
    if (end > limit || !endsAt(file, end)) continue;
    const stored = file.slice(start, end);
    const contents = cipher
      ? cipher.createCipherTransform(ref.objectNumber, ref.generationNumber).decryptBytes(stored)
      : stored;
    context.assign(ref, PDFRawStream.of(object.dict, contents));
  }
}
