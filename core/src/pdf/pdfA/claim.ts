import { decodePDFRawStream, type PDFDocument, PDFName, PDFRawStream } from '@cantoo/pdf-lib';

/** The namespace by which a document's metadata says that it is PDF/A (ISO 19005-2 6.6.4). */
const NAMESPACE = 'http://www.aiim.org/pdfa/ns/id/';
/** Arguments of a function come from the stack. */
const AT_ONCE = 8192;
const METADATA = PDFName.of('Metadata');

/** Metadata without what says that the document is PDF/A; all else in it stays letter for letter. */
export function withoutPdfA(xml: string): string {
  const prefixes = [...xml.matchAll(/xmlns:([\w.-]+)\s*=\s*["']([^"']*)["']/g)].flatMap(
    ([, prefix, namespace]) => (namespace === NAMESPACE ? [prefix.replace(/[.-]/g, '\\$&')] : []),
  );
  return prefixes.reduce(
    (rest, prefix) =>
      rest
        .replace(new RegExp(`<${prefix}:([\\w.-]+)[^<>]*>[^<]*</${prefix}:\\1\\s*>`, 'g'), '')
        .replace(new RegExp(`\\s${prefix}:[\\w.-]+\\s*=\\s*("[^"]*"|'[^']*')`, 'g'), ''),
    xml,
  );
}

/** The metadata of a document, a letter for each byte: what is looked for is ASCII, and the rest goes back as it came. */
function metadataOf({ catalog }: PDFDocument): string | null {
  const metadata = catalog.lookup(METADATA);
  if (!(metadata instanceof PDFRawStream)) return null;
  const bytes = decodePDFRawStream(metadata).decode();
  let xml = '';
  for (let k = 0; k < bytes.length; k += AT_ONCE)
    xml += String.fromCharCode(...bytes.subarray(k, k + AT_ONCE));
  return xml;
}

/** Whether a document says that it is PDF/A. */
export function claimsPdfA(doc: PDFDocument): boolean {
  const xml = metadataOf(doc);
  return xml !== null && withoutPdfA(xml) !== xml;
}

/** Takes the claim to be PDF/A from a document that will be none; whether there was one. */
export function dropPdfAClaim(doc: PDFDocument): boolean {
  const xml = metadataOf(doc);
  const rest = xml === null ? null : withoutPdfA(xml);
  if (rest === null || rest === xml) return false;
  const { catalog, context } = doc;
  // As it was: not packed, so that it can be found without reading PDF.
  const dict = { Type: 'Metadata', Subtype: 'XML' };
  catalog.set(
    METADATA,
    context.register(
      context.stream(
        Uint8Array.from(rest, (letter) => letter.charCodeAt(0)),
        dict,
      ),
    ),
  );
  return true;
}
