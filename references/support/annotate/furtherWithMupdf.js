// mutool run furtherWithMupdf.js FROM TO HOW: works on with a copy whose first page is marked. HOW is what to save with: "incremental", or "" to write anew.
// The language it runs is that of 2009.
/* eslint-disable no-var */
/* global scriptArgs, PDFDocument */
var doc = new PDFDocument(scriptArgs[0]);
var page = doc.loadPage(0);
var HEIGHT = page.bound()[3];
var annotations = page.getAnnotations();
function nameOf(one) {
  var name = one.getObject().get('NM');
  return name ? name.asString() : '';
}
function find(name) {
  for (var k = 0; k < annotations.length; k++)
    if (nameOf(annotations[k]) === name) return annotations[k];
  throw new Error('There is no ' + name);
}
var ink = page.createAnnotation('Ink');
ink.setColor([0, 0, 1]);
ink.setAuthor('Tom Ferrier');
ink.setBorder(2);
ink.addInkListStroke();
ink.addInkListStrokeVertex([100, HEIGHT - 300]);
ink.addInkListStrokeVertex([160, HEIGHT - 340]);
ink.setModificationDate(1795000000000);
page.deleteAnnotation(find('gone'));
var said = find('said');
said.setContents('Is that still so?');
said.setModificationDate(1795000000000);
var moved = find('moved');
var rect = moved.getRect();
moved.setRect([rect[0] + 30, rect[1], rect[2] + 30, rect[3]]);
moved.setModificationDate(1795000000000);
page.update();
doc.save(scriptArgs[1], scriptArgs[2] || '');
