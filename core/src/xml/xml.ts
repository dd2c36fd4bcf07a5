import { DOMParser, type Element as XmlElement } from '@xmldom/xmldom';

/** A file with more characters than this is refused, rather than the tab lost. */
const MOST_CHARACTERS = 64 * 1024 * 1024;

/** Why a file is not read as XML; the message goes on from "This InkML file". */
export class XmlError extends Error {
  override readonly name = 'XmlError';
}

/**
 * The root of an XML file.
 * @throws XmlError when it is too large, declares a document type, or is not well-formed
 */
export function openXml(text: string): XmlElement {
  if (text.length > MOST_CHARACTERS) throw new XmlError('is too large.');
  // No entities of their own: a few lines of them could unfold into gigabytes.
  if (/<!(DOCTYPE|ENTITY)/i.test(text))
    throw new XmlError('declares a document type, which is not read here.');
  let root: XmlElement | null = null;
  try {
    root = new DOMParser({
      onError: (level, message) => {
        if (level !== 'warning') throw new XmlError(message);
      },
    }).parseFromString(text, 'application/xml').documentElement;
  } catch {
    throw new XmlError('is not well-formed XML, so nothing can be read from it.');
  }
  if (!root) throw new XmlError('is empty.');
  return root;
}

/** Elements of a name anywhere beneath another, whatever their namespace. */
export const elementsOf = (root: XmlElement, name: string): XmlElement[] => [
  ...(root.getElementsByTagNameNS('*', name) as Iterable<XmlElement>),
];

const ESCAPES: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
/** Characters that no XML file may hold (XML 1.0, §2.2). */
const FORBIDDEN =
  /[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g;

/** Text as it stands in XML, in an element or in quotation marks. */
export const escapeXml = (text: string): string =>
  text.replace(FORBIDDEN, '').replace(/[&<>"]/g, (c) => ESCAPES[c]);
