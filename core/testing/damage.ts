import { ascii, joined } from './rawPdf.ts';

const indexOf = (bytes: Uint8Array, text: string, last = false): number => {
  const latin = new TextDecoder('latin1').decode(bytes);
  const at = last ? latin.lastIndexOf(text) : latin.indexOf(text);
  if (at < 0) throw new RangeError(`There is no ${text} in this file.`);
  return at;
};

/** Ways in which whole files arrive damaged, though every object of theirs is there. */
export const DAMAGE: Readonly<Record<string, (bytes: Uint8Array) => Uint8Array>> = {
  'garbage before the header': (bytes) => joined('HTTP/1.1 200\r\n3 0 x\n'.repeat(20), bytes),
  'garbage after the end': (bytes) => joined(bytes, '\r\n--edge 7 0--\n\0\0'.repeat(40)),
  'a wrong startxref': (bytes) =>
    joined(bytes.subarray(0, indexOf(bytes, 'startxref', true)), 'startxref\n77\n%%EOF\n'),
  'wrong offsets': (bytes) => {
    const at = indexOf(bytes, ' obj') + 4;
    return joined(bytes.subarray(0, at), '\n%moved\n', bytes.subarray(at));
  },
  'no startxref': (bytes) => bytes.slice(0, indexOf(bytes, 'startxref', true)),
  'an object of another generation': (bytes) =>
    joined(bytes, '\n3 1 obj\n<< /Stray 1 >>\nendobj\n'),
  'an object with an enormous number': (bytes) =>
    joined(bytes, '\n4294967299 0 obj\n<< /Stray 1 >>\nendobj\n'),
  'zeros where a line was': (bytes) => joined(bytes, new Uint8Array(600), ascii('\n%%EOF\n')),
};
