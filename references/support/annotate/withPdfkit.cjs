// node withPdfkit.cjs FROM TO: a page of its own with annotations of every kind it knows. FROM is not read: it only writes.
const { createWriteStream } = require('node:fs');
const PDFDocument = require('pdfkit');

const HEIGHT = 842;
const doc = new PDFDocument({ size: [595, HEIGHT], margin: 0 });
doc.pipe(createWriteStream(process.argv[3]));
doc.font('Helvetica').fontSize(14);
const lines = [
  'Barnacles settle where others have settled before them.',
  'Their larvae feel the rock with their feelers for hours.',
];
lines.forEach((line, k) => doc.text(line, 72, HEIGHT - 700 + 20 * k - 10.4, { lineBreak: false }));
const made = { T: new String('Ada Rowan'), M: new Date(1790000000000) };
const blue = [0, 0, 255];
const down = (y, h = 0) => HEIGHT - y - h;
doc.highlight(72, down(696, 16), 100, 16, { ...made, color: [255, 204, 0] });
doc.underline(72, down(676, 16), 80, 16, { ...made, color: [255, 0, 0] });
doc.strike(160, down(676, 16), 60, 16, { ...made, color: [255, 0, 0] });
doc.rectAnnotation(300, down(540, 80), 120, 80, {
  ...made,
  color: blue,
  BS: { W: 2 },
  IC: [0.5, 1, 0.5],
});
doc.ellipseAnnotation(440, down(540, 60), 100, 60, { ...made, color: blue, BS: { W: 2 } });
doc.lineAnnotation(100, down(500), 240, down(470), { ...made, BS: { W: 1 } });
doc.textAnnotation(72, down(380, 50), 188, 50, 'Compare with the limpets.', made);
doc.note(500, down(700, 20), 20, 20, 'A picture is wanted.', { ...made, color: [255, 0, 0] });
doc.end();
