import { type PDFContext, type PDFDict, PDFName, type PDFRef } from '@cantoo/pdf-lib';
import type { Box } from '../../geometry/index.ts';
import { ByteWriter } from './byteWriter.ts';
import type { Deflate } from './formWriter.ts';

/** A form XObject in the making out of what a document holds already: operators, and the forms they draw. */
export class Layer {
  private readonly content = new ByteWriter();
  private readonly states = new Map<string, { name: string; opacity: number; blend: string }>();
  private readonly forms: [string, PDFRef][] = [];

  constructor(private readonly context: PDFContext) {}

  get isEmpty(): boolean {
    return this.content.isEmpty;
  }

  write(operators: string): void {
    this.content.text(`${operators}\n`);
  }

  /** The name of a graphics state with this opacity and blend mode. */
  stateName(opacity: number, blend: 'Normal' | 'Multiply'): string {
    const key = `${blend} ${opacity}`;
    let state = this.states.get(key);
    if (!state) this.states.set(key, (state = { name: `G${this.states.size}`, opacity, blend }));
    return state.name;
  }

  /** Draws another form. */
  draw(form: PDFRef, before = ''): void {
    const name = `F${this.forms.length}`;
    this.forms.push([name, form]);
    this.write(`q ${before} /${name} Do Q`);
  }

  /** Registers the form. */
  async finish(bbox: Box, deflate: Deflate | undefined): Promise<PDFRef> {
    const { context } = this;
    const dict = {
      Type: 'XObject',
      Subtype: 'Form',
      BBox: [bbox.minX, bbox.minY, bbox.maxX, bbox.maxY],
      Resources: this.resources(),
    };
    const bytes = this.content.view();
    if (!deflate) return context.register(context.flateStream(bytes, dict));
    return context.register(
      context.stream(await deflate(bytes), { ...dict, Filter: 'FlateDecode' }),
    );
  }

  private resources(): PDFDict {
    const resources = this.context.obj({});
    const states = this.context.obj({});
    for (const { name, opacity, blend } of this.states.values())
      states.set(PDFName.of(name), this.context.obj({ ca: opacity, CA: opacity, BM: blend }));
    const forms = this.context.obj({});
    for (const [name, ref] of this.forms) forms.set(PDFName.of(name), ref);
    if (this.states.size > 0) resources.set(PDFName.of('ExtGState'), states);
    if (this.forms.length > 0) resources.set(PDFName.of('XObject'), forms);
    return resources;
  }
}
