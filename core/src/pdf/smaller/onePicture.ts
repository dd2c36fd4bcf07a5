import {
  PDFDocument,
  PDFName,
  type PDFObject,
  PDFObjectCopier,
  PDFRawStream,
} from '@cantoo/pdf-lib';

/** What of a picture says how its data is read. */
const READ_BY = [
  'Width',
  'Height',
  'BitsPerComponent',
  'Filter',
  'DecodeParms',
  'Decode',
  'Interpolate',
];

/**
 * A PDF whose one page is a picture, `width` × `height` points: drawn with a pixel a point it is the picture made smaller. Its
 * masks are left out.
 * @param space the colour space that its numbers are taken to be of
 */
export async function onePicture(
  picture: PDFRawStream,
  space: PDFObject,
  width: number,
  height: number,
): Promise<Uint8Array> {
  const doc = await PDFDocument.create({ updateMetadata: false });
  const { context } = doc;
  const copier = PDFObjectCopier.for(picture.dict.context, context);
  const dict = context.obj({ Type: 'XObject', Subtype: 'Image' });
  for (const name of READ_BY) {
    const key = PDFName.of(name);
    const value = picture.dict.get(key);
    if (value) dict.set(key, copier.copy(value));
  }
  dict.set(PDFName.of('ColorSpace'), copier.copy(space));
  const ref = context.register(PDFRawStream.of(dict, picture.contents));
  const page = doc.addPage([width, height]);
  page.node.set(PDFName.of('Resources'), context.obj({ XObject: { P: ref } }));
  const content = context.stream(`${width} 0 0 ${height} 0 0 cm /P Do`);
  page.node.set(PDFName.of('Contents'), context.register(content));
  return doc.save({ useObjectStreams: false, updateFieldAppearances: false });
}
