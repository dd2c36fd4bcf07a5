import { degrees, grayscale, PDFDocument, StandardFonts } from '@cantoo/pdf-lib';

/** Three pages: one turned by 90°, one cropped away from the origin, one turned by 270° and cropped. */
export async function turnedAndCropped(): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  doc.setTitle('Transect maps');
  const font = await doc.embedFont(StandardFonts.Helvetica);
  for (let i = 0; i < 3; i++) {
    const page = doc.addPage([595, 842]);
    page.drawRectangle({
      x: 120,
      y: 200,
      width: 300,
      height: 420,
      borderWidth: 1,
      borderColor: grayscale(0.4),
    });
    for (let row = 0; row < 12; row++)
      page.drawText(`Quadrat ${row + 1}: limpets, whelks, weed`, {
        x: 140,
        y: 580 - 30 * row,
        size: 13,
        font,
      });
  }
  const [turned, cropped, both] = doc.getPages();
  turned.setRotation(degrees(90));
  cropped.setCropBox(90, 150, 400, 520);
  both.setRotation(degrees(270));
  both.setCropBox(60, 120, 420, 600);
  return doc.save();
}
