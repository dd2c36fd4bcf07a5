// mutool run withMupdf.js FROM TO: annotations of every kind it knows, on the first page of a PDF. Its y axis points down.
// The language it runs is that of 2009.
/* eslint-disable no-var */
/* global scriptArgs, PDFDocument */
var from = scriptArgs[0];
var to = scriptArgs[1];
var HEIGHT = 842;
var doc = new PDFDocument(from);
var page = doc.loadPage(0);
function up(points) {
  var out = [];
  for (var k = 0; k < points.length; k += 2) out.push(points[k], HEIGHT - points[k + 1]);
  return out;
}
function stroke(one, points) {
  one.addInkListStroke();
  for (var k = 0; k < points.length; k += 2) one.addInkListStrokeVertex([points[k], points[k + 1]]);
}
function box(minX, minY, maxX, maxY) {
  return [minX, HEIGHT - maxY, maxX, HEIGHT - minY];
}
function add(kind, colour, said, fill) {
  var one = page.createAnnotation(kind);
  one.setColor(colour);
  one.setAuthor('Ada Rowan');
  one.setContents(said);
  one.setModificationDate(1790000000000);
  fill(one);
}
add('Highlight', [1, 0.8, 0], 'Why here?', function (one) {
  one.setQuadPoints([up([72, 712, 172, 712, 72, 696, 172, 696])]);
});
add('Ink', [1, 0, 0], '', function (one) {
  one.setBorder(3);
  stroke(one, up([100, 560, 140, 600, 180, 560]));
  stroke(one, up([200, 560, 240, 600]));
});
add('Square', [0, 0, 1], '', function (one) {
  one.setBorder(2);
  one.setInteriorColor([0.5, 1, 0.5]);
  one.setRect(box(300, 540, 420, 620));
});
add('Circle', [0, 0, 1], '', function (one) {
  one.setBorder(2);
  one.setRect(box(440, 540, 540, 600));
});
add('Line', [0, 0, 0], '', function (one) {
  one.setBorder(1);
  var ends = up([100, 500, 240, 470]);
  one.setLine([ends[0], ends[1]], [ends[2], ends[3]]);
  one.setLineEndingStyles('None', 'OpenArrow');
});
add('Polygon', [0, 0.5, 0], '', function (one) {
  one.setBorder(1);
  one.setVertices([
    [300, HEIGHT - 460],
    [360, HEIGHT - 520],
    [420, HEIGHT - 460],
  ]);
});
add('FreeText', [1, 1, 1], 'Compare with the limpets.', function (one) {
  one.setDefaultAppearance('TiRo', 14, [0.5, 0, 0]);
  one.setRect(box(72, 380, 260, 430));
});
add('Text', [1, 0, 0], 'A picture is wanted.', function (one) {
  one.setRect(box(500, 700, 520, 720));
});
page.update();
doc.save(to, '');
