import {
  PDFDocument,
  PDFHexString,
  PDFName,
  PDFString,
  type PDFPage,
  PDFStream,
  StandardFonts,
} from '@cantoo/pdf-lib';
import { streamBytes } from '../src/pdf/content/pageContent.ts';

/** Small documents made for the tests of core/pdf, each with one thing to get right. */

export interface PageMaker {
  (page: PDFPage, doc: PDFDocument, index: number): void | Promise<void>;
}

/** A document of `count` pages of 300 × 400 points with a line of text each. */
export async function pdfWith(make: PageMaker, count = 1): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  const font = await doc.embedFont(StandardFonts.Helvetica);
  for (let i = 0; i < count; i++) {
    const page = doc.addPage([300, 400]);
    page.drawText(`Page ${i + 1} of the shore`, { x: 40, y: 340, size: 14, font });
    await make(page, doc, i);
  }
  return doc.save({ useObjectStreams: false, updateFieldAppearances: false });
}

export const plainPdf = (count = 1): Promise<Uint8Array> => pdfWith(() => undefined, count);

/** Locked with `password`; with an empty one only its owner's password protects it. */
export async function lockedPdf(password: string): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  doc.addPage([300, 400]).drawText('Locked');
  doc.encrypt({ userPassword: password, ownerPassword: `${password}-owner`, permissions: {} });
  return doc.save({ useObjectStreams: false });
}

/** Adds an annotation with the entries given; gives its dictionary's reference. */
export function addAnnotation(page: PDFPage, entries: Record<string, unknown>): void {
  const { context } = page.doc;
  const dict = context.obj({ Type: 'Annot', ...entries } as never);
  page.node.addAnnot(context.register(dict));
}

/** An appearance stream that fills its box with a colour. */
export function filledForm(page: PDFPage, colour: string, bbox: number[], matrix?: number[]) {
  const { context } = page.doc;
  const [x0, y0, x1, y1] = bbox;
  return context.register(
    context.stream(`${colour} rg ${x0} ${y0} ${x1 - x0} ${y1 - y0} re f`, {
      Type: 'XObject',
      Subtype: 'Form',
      BBox: bbox,
      ...(matrix ? { Matrix: matrix } : {}),
    }),
  );
}

export function action(kind: string, entries: Record<string, string>, doc: PDFDocument) {
  const dict = doc.context.obj({ S: kind });
  for (const [key, value] of Object.entries(entries))
    dict.set(PDFName.of(key), key === 'JS' ? PDFHexString.fromText(value) : PDFString.of(value));
  return dict;
}

/** All that stands in a file, reachable or not: dictionaries, and streams decoded. */
export async function everythingIn(bytes: Uint8Array): Promise<string> {
  const { context } = await PDFDocument.load(bytes, { updateMetadata: false });
  const text = (data: Uint8Array | null): string =>
    new TextDecoder('latin1').decode(data ?? undefined);
  return context
    .enumerateIndirectObjects()
    .map(([ref, object]) =>
      object instanceof PDFStream
        ? `${ref} ${object.dict}\n${text(streamBytes(object))}`
        : `${ref} ${object}`,
    )
    .join('\n');
}

/** The decoded content of a page, as text. */
export { pageContent } from '../src/pdf/content/pageContent.ts';

/** A page with two layers, a grey square on one that is shown and a black one on one that is not; a file is attached to it. */
export async function layeredPdf(): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  const { context } = doc;
  doc.setTitle('Pools with answers');
  doc.setAuthor('Saltmarsh Field Station');
  doc.setCreationDate(new Date(Date.UTC(2026, 4, 3, 9, 30)));
  await doc.attach(new TextEncoder().encode('pool,species\n1,limpet\n'), '../pools.csv', {
    mimeType: 'text/csv',
    description: 'What was counted',
  });
  const layer = (name: string) =>
    context.register(context.obj({ Type: 'OCG', Name: PDFString.of(name) }));
  const [pools, answers] = [layer('Pools'), layer('Answers')];
  const page = doc.addPage([300, 400]);
  const square = (name: string, grey: number, x: number): string =>
    `/OC /${name} BDC ${grey} g ${x} 100 100 100 re f EMC\n`;
  const content = square('L0', 0.5, 20) + square('L1', 0, 160);
  page.node.set(PDFName.of('Contents'), context.register(context.flateStream(content)));
  page.node.set(PDFName.of('Resources'), context.obj({ Properties: { L0: pools, L1: answers } }));
  doc.catalog.set(
    PDFName.of('OCProperties'),
    context.obj({
      OCGs: [pools, answers],
      D: { Order: [pools, answers], ON: [pools], OFF: [answers] },
    }),
  );
  return doc.save({ useObjectStreams: false });
}

/** A tagged page with a picture that has an alternative text. */
export async function taggedPdf(): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  const { context, catalog } = doc;
  const page = doc.addPage([300, 400]);
  const content = '/Figure << /MCID 0 >> BDC 0.5 g 40 100 200 150 re f EMC';
  page.node.set(PDFName.of('Contents'), context.register(context.flateStream(content)));
  page.node.set(PDFName.of('StructParents'), context.obj(0));
  const [root, whole, figure] = [context.nextRef(), context.nextRef(), context.nextRef()];
  context.assign(
    figure,
    context.obj({
      Type: 'StructElem',
      S: 'Figure',
      P: whole,
      Pg: page.ref,
      K: 0,
      Alt: PDFString.of('A limpet from the side'),
    }),
  );
  context.assign(whole, context.obj({ Type: 'StructElem', S: 'Document', P: root, K: [figure] }));
  context.assign(
    root,
    context.obj({
      Type: 'StructTreeRoot',
      K: [whole],
      ParentTree: { Nums: [0, [figure]] },
      ParentTreeNextKey: 1,
    }),
  );
  catalog.set(PDFName.of('StructTreeRoot'), root);
  catalog.set(PDFName.of('MarkInfo'), context.obj({ Marked: true }));
  return doc.save({ useObjectStreams: false });
}
