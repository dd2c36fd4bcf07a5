import {
  PDFArray,
  PDFBool,
  PDFDict,
  type PDFDocument,
  PDFHexString,
  PDFName,
  type PDFObject,
  type PDFPage,
  PDFRef,
  PDFString,
} from '@cantoo/pdf-lib';
import type { DocState, OwnLink } from '../../document/index.ts';
import type { Box } from '../../geometry/index.ts';
import { FRAME, isSameArea, leadOf, ownLinksOn, partsOfLink } from '../../links/index.ts';
import { rectOf, subtypeOf } from '../annotations/read.ts';
import { colourEntry } from '../living/colourEntry.ts';
import { destination } from './destination.ts';
import type { GatheredPage } from './gather.ts';

const name = (text: string): PDFName => PDFName.of(text);
/** What is ours, so that it can be told from what was there: any program may add entries (ISO 32000-1, annex E). */
const OURS = name('Marginalis');
/** Links of the file that own ones stand for, kept for whoever opens the copy again. */
const CAME = name('MarginalisLinks');
const ANNOTATIONS = name('Annots');
/** Printed with the page, as archives demand of annotations (ISO 19005-2 §6.3.2). */
const PRINTED = 4;
/** What became of the links of a person's own. */
export interface LinksAdded {
  readonly added: number;
  /** Those that lead to what is gone, or is not in the copy. */
  readonly dead: number;
  /** Pages whose links have changed. */
  readonly pages: readonly PDFPage[];
}

/**
 * Makes one's own links of a document links of its copy (§12.5.6.5), and takes those of the file away that they stand for.
 * @param keeps those of the file, for {@link removeLinks}
 */
export function addLinks(
  document: DocState,
  pages: readonly GatheredPage[],
  keeps: boolean,
): LinksAdded {
  const places = new Map(pages.map((one) => [one.page.id, one]));
  const changed: PDFPage[] = [];
  const gone = new Set<PDFObject>();
  let [added, dead] = [0, 0];
  for (const { page, pdf } of pages) {
    const own = ownLinksOn(document, page.id);
    if (own.length === 0) continue;
    changed.push(pdf);
    const list = without(pdf, own, keeps ? null : gone);
    for (const link of own) {
      if (link.to === null) continue;
      const annotations = annotationsOf(document, link, places, pdf);
      for (const annotation of annotations) list.push(pdf.doc.context.register(annotation));
      if (annotations.length > 0) added += 1;
      else dead += 1;
    }
    pdf.node.set(ANNOTATIONS, list);
  }
  forget(gone, pages);
  return { added, dead, pages: changed };
}

/** What is on a page, but for the links of the file that own ones stand for; a list of its own, since pages may share theirs. */
function without(
  { node, doc }: PDFPage,
  own: readonly OwnLink[],
  dropped: Set<PDFObject> | null,
): PDFArray {
  const { context } = doc;
  const rest = PDFArray.withContext(context);
  const gone = own.flatMap(({ instead }) => instead ?? []);
  const came: PDFObject[] = [];
  for (const [entry, dict] of entriesOf(node.lookup(ANNOTATIONS)))
    if (isLinkAt(dict, gone)) came.push(entry);
    else rest.push(entry);
  if (dropped) for (const entry of came) dropped.add(entry);
  else if (came.length > 0) node.set(CAME, context.obj(came));
  return rest;
}

/** The structure of a tagged document would keep what no page shows any more. */
function forget(gone: ReadonlySet<PDFObject>, pages: readonly GatheredPage[]): void {
  if (gone.size === 0) return;
  const still = new Set<PDFObject>();
  for (const { pdf } of pages)
    for (const [entry] of entriesOf(pdf.node.lookup(ANNOTATIONS))) still.add(entry);
  for (const entry of gone)
    if (entry instanceof PDFRef && !still.has(entry)) pages[0].pdf.doc.context.delete(entry);
}

const isLinkAt = (dict: PDFDict, areas: readonly Box[]): boolean => {
  if (areas.length === 0 || subtypeOf(dict) !== 'Link') return false;
  const area = rectOf(dict);
  return area !== null && areas.some((box) => isSameArea(box, area));
};

/** One for each of its areas: of areas within a link readers take little notice. */
function annotationsOf(
  document: DocState,
  link: OwnLink,
  places: ReadonlyMap<string, GatheredPage>,
  { doc: { context } }: PDFPage,
): PDFDict[] {
  const lead = link.to && leadOf(document, link.to);
  if (!lead) return [];
  const place = 'address' in lead ? null : places.get(document.pages[lead.index].id);
  if (place === undefined) return [];
  return partsOfLink(link).map((area) => {
    const dict = context.obj({
      Type: 'Annot',
      Subtype: 'Link',
      F: PRINTED,
      Rect: [area.minX, area.minY, area.maxX, area.maxY],
      Border: [0, 0, link.framed ? FRAME.width : 0],
      C: colourEntry(FRAME.colour),
    });
    dict.set(OURS, PDFBool.True);
    if ('address' in lead) {
      dict.set(name('Contents'), PDFHexString.fromText(lead.address));
      dict.set(name('A'), context.obj({ Type: 'Action', S: 'URI', URI: uri(lead.address) }));
    } else if (place) dict.set(name('Dest'), destination(context, place, lead.at));
    return dict;
  });
}

/** An address in ASCII, as it must be there (§12.6.4.7): what is not is written in its octets (RFC 3987, §3.1). */
const uri = (address: string): PDFString =>
  PDFString.of(
    encodeURI(address.replace(/\p{Cs}/gu, '\ufffd'))
      // What was escaped before stays as it was.
      .replace(/%25(?=[0-9a-f]{2})/gi, '%')
      .replace(/[()\\]/g, '\\$&'),
  );

/** Takes them out of a copy again, and puts the links of the file back. */
export function removeLinks(doc: PDFDocument): void {
  for (const { node } of doc.getPages()) {
    const all = entriesOf(node.lookup(ANNOTATIONS));
    const came = entriesOf(node.lookup(CAME));
    const kept = all.filter(([, dict]) => subtypeOf(dict) !== 'Link' || !dict.has(OURS));
    if (kept.length === all.length && came.length === 0) continue;
    node.set(ANNOTATIONS, doc.context.obj([...kept, ...came].map(([entry]) => entry)));
    node.delete(CAME);
  }
}

function entriesOf(list: unknown): (readonly [PDFObject, PDFDict])[] {
  if (!(list instanceof PDFArray)) return [];
  return list.asArray().flatMap((entry, k) => {
    const dict = list.lookup(k);
    return dict instanceof PDFDict ? [[entry, dict] as const] : [];
  });
}
