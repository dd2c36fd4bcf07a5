import {
  PDFArray,
  PDFDict,
  type PDFDocument,
  PDFName,
  type PDFPage,
  PDFStream,
} from '@cantoo/pdf-lib';
import { operationsOf, type PlacedOperation } from './operations.ts';
import { pageContent, streamBytes } from './pageContent.ts';
import { nameIn } from './textPass.ts';

const name = (text: string): PDFName => PDFName.of(text);

/** Every form, picture and pattern that pages and annotations of a document draw: it may name more than it draws. */
export function drawnStreams(doc: PDFDocument): ReadonlySet<PDFStream> {
  const walk = new DrawnWalk();
  for (const page of doc.getPages()) walk.page(page);
  return walk.drawn;
}

class DrawnWalk {
  readonly drawn = new Set<PDFStream>();
  /** With what names each has been read: a form without its own has those of what draws it. */
  private readonly read = new Map<PDFStream | PDFDict, Set<PDFDict | undefined>>();
  private readonly waiting: { readonly stream: PDFStream; readonly around?: PDFDict }[] = [];

  page(page: PDFPage): void {
    const resources = page.node.Resources();
    this.content(pageContent(page), resources);
    const list = page.node.lookup(name('Annots'));
    if (list instanceof PDFArray)
      for (let k = 0; k < list.size(); k++) this.appearances(list.lookup(k), resources);
    for (let next = this.waiting.pop(); next; next = this.waiting.pop()) this.stream(next);
  }

  /** An appearance a state (ISO 32000-1 §12.5.5). */
  private appearances(annotation: unknown, around: PDFDict | undefined): void {
    const all = annotation instanceof PDFDict ? annotation.lookup(name('AP')) : null;
    if (!(all instanceof PDFDict)) return;
    for (const key of all.keys()) {
      const one = all.lookup(key);
      if (one instanceof PDFDict)
        for (const state of one.keys()) this.draw(one.lookup(state), around);
      else this.draw(one, around);
    }
  }

  private draw(stream: unknown, around: PDFDict | undefined): void {
    if (!(stream instanceof PDFStream)) return;
    this.drawn.add(stream);
    this.waiting.push({ stream, ...(around ? { around } : {}) });
  }

  private isNew(one: PDFStream | PDFDict, resources: PDFDict | undefined): boolean {
    const known = this.read.get(one);
    if (known?.has(resources)) return false;
    if (known) known.add(resources);
    else this.read.set(one, new Set([resources]));
    return true;
  }

  private stream({ stream, around }: { stream: PDFStream; around?: PDFDict }): void {
    const { dict } = stream;
    if (dict.lookup(name('Subtype')) === name('Image')) return;
    const held = dict.lookup(name('Resources'));
    const resources = held instanceof PDFDict ? held : around;
    if (!this.isNew(stream, resources)) return;
    const bytes = streamBytes(stream);
    if (bytes) this.content(bytes, resources);
    // What cannot be read may draw all that it has a name for.
    else
      for (const key of keysOf(resources, 'XObject'))
        this.draw(at(resources, 'XObject', key), resources);
  }

  private content(bytes: Uint8Array, resources: PDFDict | undefined): void {
    for (const operation of operationsOf(bytes)) this.operation(operation, resources);
  }

  private operation({ operator, operands }: PlacedOperation, resources: PDFDict | undefined): void {
    switch (operator) {
      case 'Do':
        return this.draw(at(resources, 'XObject', nameIn(operands)), resources);
      case 'scn':
      case 'SCN':
        return this.draw(at(resources, 'Pattern', nameIn(operands)), resources);
      case 'Tf':
        return this.font(at(resources, 'Font', nameIn(operands)), resources);
      case 'gs': {
        const state = at(resources, 'ExtGState', nameIn(operands));
        if (!(state instanceof PDFDict)) return;
        const mask = state.lookup(name('SMask'));
        if (mask instanceof PDFDict) this.draw(mask.lookup(name('G')), resources);
        const font = state.lookup(name('Font'));
        if (font instanceof PDFArray) this.font(font.lookup(0), resources);
      }
    }
  }

  /** Letters may be drawings (§9.6.5). */
  private font(font: unknown, around: PDFDict | undefined): void {
    const letters = font instanceof PDFDict ? font.lookup(name('CharProcs')) : null;
    if (!(font instanceof PDFDict) || !(letters instanceof PDFDict)) return;
    const held = font.lookup(name('Resources'));
    const resources = held instanceof PDFDict ? held : around;
    if (!this.isNew(font, resources)) return;
    for (const key of letters.keys()) this.draw(letters.lookup(key), resources);
  }
}

function at(resources: PDFDict | undefined, sort: string, key: string | PDFName | null): unknown {
  const held = resources?.lookup(name(sort));
  if (key === null || !(held instanceof PDFDict)) return null;
  return held.lookup(typeof key === 'string' ? name(key) : key);
}

function keysOf(resources: PDFDict | undefined, sort: string): readonly PDFName[] {
  const held = resources?.lookup(name(sort));
  return held instanceof PDFDict ? held.keys() : [];
}
