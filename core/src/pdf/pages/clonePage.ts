import {
  PDFArray,
  type PDFContext,
  PDFDict,
  type PDFDocument,
  PDFName,
  PDFPage,
  PDFRef,
} from '@cantoo/pdf-lib';
import { ownEntries } from './arrange.ts';

const name = (text: string): PDFName => PDFName.of(text);

/** What says where a page stands among the tags and threads of its file: the copy stands there not. */
export const PLACES = ['StructParents', 'B', 'Tabs'].map(name);
/** What annotations of a page say of one another. */
const AMONG = ['Popup', 'Parent', 'IRT'].map(name);

const annotationsOf = (page: PDFPage): PDFArray | undefined =>
  page.node.lookupMaybe(name('Annots'), PDFArray);

/** Whether a page has fields of a form: they belong to the form, and are not to be had twice. */
export const hasFields = (page: PDFPage): boolean =>
  (annotationsOf(page)?.asArray() ?? []).some((one) => {
    const dict = page.doc.context.lookup(one);
    return dict instanceof PDFDict && dict.get(name('Subtype')) === name('Widget');
  });

/** The page once more, with the same content, faces and pictures, which stand in the file once; its annotations are its own. */
export function clonePage(doc: PDFDocument, page: PDFPage): PDFPage {
  const { context } = doc;
  ownEntries(page);
  const node = page.node.clone(context);
  for (const key of PLACES) node.delete(key);
  const resources = node.lookupMaybe(name('Resources'), PDFDict);
  // Pages are added to: what they name is theirs by itself.
  if (resources) node.set(name('Resources'), twoLevels(resources));
  const contents = node.lookup(name('Contents'));
  if (contents instanceof PDFArray)
    node.set(name('Contents'), context.obj([...contents.asArray()]));
  const ref = context.register(node);
  const annotations = annotationsOf(page);
  if (annotations) node.set(name('Annots'), ownAnnotations(context, annotations, ref));
  return PDFPage.of(node, ref, doc);
}

function twoLevels(dict: PDFDict): PDFDict {
  const copy = dict.clone();
  for (const [key] of dict.entries()) {
    const inner = dict.lookup(key);
    // A class of its own stays what it is.
    if (inner instanceof PDFDict) copy.set(key, inner.clone());
  }
  return copy;
}

function ownAnnotations(context: PDFContext, annotations: PDFArray, page: PDFRef): PDFArray {
  const refs = new Map<PDFRef, PDFRef>();
  const copies: PDFDict[] = [];
  const listed = annotations.asArray().map((one) => {
    const dict = context.lookup(one);
    if (!(dict instanceof PDFDict)) return one;
    const copy = dict.clone();
    copy.set(name('P'), page);
    copy.delete(name('StructParent'));
    copies.push(copy);
    const ref = context.register(copy);
    if (one instanceof PDFRef) refs.set(one, ref);
    return ref;
  });
  for (const copy of copies)
    for (const key of AMONG) {
      const to = copy.get(key);
      const own = to instanceof PDFRef && refs.get(to);
      if (own) copy.set(key, own);
    }
  return context.obj(listed);
}
