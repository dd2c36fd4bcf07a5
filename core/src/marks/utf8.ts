/** Half of a letter that needs two: no text. */
const HALF = /[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g;

/** Percent-encoded UTF-8 (RFC 3986). */
export const percentEncoded = (text: string): string =>
  encodeURIComponent(text.replace(HALF, '\ufffd'));

/** UTF-8 (RFC 3629). */
export const utf8 = (text: string): Uint8Array =>
  Uint8Array.from(percentEncoded(text).match(/%[0-9A-F]{2}|[^%]/g) ?? [], (one) =>
    one.length === 1 ? one.charCodeAt(0) : parseInt(one.slice(1), 16),
  );
