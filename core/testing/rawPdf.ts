/** PDF files written by hand, object by object, for what no library would write. */

export const ascii = (text: string): Uint8Array => Uint8Array.from(text, (c) => c.charCodeAt(0));

export function joined(...parts: readonly (string | Uint8Array)[]): Uint8Array {
  const all = parts.map((p) => (typeof p === 'string' ? ascii(p) : p));
  const out = new Uint8Array(all.reduce((n, p) => n + p.length, 0));
  let at = 0;
  for (const part of all) {
    out.set(part, at);
    at += part.length;
  }
  return out;
}

/** An object: what stands between `obj` and `endobj`. */
export type RawObject = readonly [number: number, body: string | Uint8Array];

export const rawStream = (dict: string, data: Uint8Array): Uint8Array =>
  joined(`<< ${dict} >>\nstream\n`, data, '\nendstream');

/** A file with a classic cross-reference table; object 1 is the catalogue. */
export function rawPdf(objects: readonly RawObject[], trailer = ''): Uint8Array {
  const parts: (string | Uint8Array)[] = ['%PDF-1.7\n%\xe2\xe3\xcf\xd3\n'];
  let at = joined(...parts).length;
  const places = new Map<number, number>();
  for (const [number, body] of objects) {
    places.set(number, at);
    const object = joined(`${number} 0 obj\n`, body, '\nendobj\n');
    parts.push(object);
    at += object.length;
  }
  const size = Math.max(...places.keys()) + 1;
  const rows = Array.from({ length: size }, (_, n) => {
    const place = places.get(n);
    return place === undefined
      ? '0000000000 65535 f \n'
      : `${String(place).padStart(10, '0')} 00000 n \n`;
  });
  parts.push(
    `xref\n0 ${size}\n${rows.join('')}trailer\n<< /Size ${size} /Root 1 0 R ${trailer} >>\nstartxref\n${at}\n%%EOF\n`,
  );
  return joined(...parts);
}

/** A page whose content is object 4, and the objects that go with it. */
export const pageObjects = (page = ''): RawObject[] => [
  [1, '<< /Type /Catalog /Pages 2 0 R >>'],
  [2, '<< /Type /Pages /Kids [3 0 R] /Count 1 >>'],
  [3, `<< /Type /Page /Parent 2 0 R /MediaBox [0 0 300 400] /Contents 4 0 R ${page} >>`],
];
