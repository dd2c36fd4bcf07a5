import { type PDFContext, type PDFDict, PDFName, type PDFRef } from '@cantoo/pdf-lib';
import type { Box } from '../../geometry/index.ts';
import type { FaceName } from '../../type/index.ts';
import type { EncodedForm } from './encodedForm.ts';

/** What forms refer to and the document holds once: fonts and pictures. */
export interface Holdings {
  /** The font object of a face; notes which of its glyphs are used, and what each stands for. */
  font(face: FaceName, glyphs: ReadonlyMap<number, string>): PDFRef;
  /** The image XObject of a picture; null when it is not at hand. */
  picture(source: string): PDFRef | null;
  /** What red, green and blue are, where the document must say it; null where it need not. */
  readonly rgb: PDFRef | null;
}

/** Puts a form into a document; `bbox` bounds what is seen of it, in user space. */
export function registerForm(
  context: PDFContext,
  form: EncodedForm,
  bbox: Box,
  holdings: Holdings,
): PDFRef {
  const dict = {
    Type: 'XObject',
    Subtype: 'Form',
    BBox: [bbox.minX, bbox.minY, bbox.maxX, bbox.maxY],
    Resources: resourcesOf(context, form, bbox, holdings),
    ...(form.isolated
      ? { Group: { S: 'Transparency', I: true, CS: holdings.rgb ?? 'DeviceRGB' } }
      : {}),
  };
  if (!form.deflated) return context.register(context.flateStream(form.content, dict));
  return context.register(context.stream(form.content, { ...dict, Filter: 'FlateDecode' }));
}

function resourcesOf(
  context: PDFContext,
  form: EncodedForm,
  bbox: Box,
  holdings: Holdings,
): PDFDict {
  const resources = context.obj({});
  const put = (category: string, name: string, value: PDFRef | PDFDict): void => {
    const held = resources.lookup(PDFName.of(category)) as PDFDict | undefined;
    const group = held ?? context.obj({});
    group.set(PDFName.of(name), value);
    if (!held) resources.set(PDFName.of(category), group);
  };
  if (holdings.rgb) put('ColorSpace', 'DefaultRGB', holdings.rgb);
  for (const { name, opacity, blend } of form.states)
    put(
      'ExtGState',
      name,
      context.obj({ ca: opacity, CA: opacity, BM: blend === 'multiply' ? 'Multiply' : 'Normal' }),
    );
  for (const { name, form: inner } of form.forms)
    put('XObject', name, registerForm(context, inner, bbox, holdings));
  for (const { name, face, glyphs } of form.faces) put('Font', name, holdings.font(face, glyphs));
  for (const { name, source } of form.pictures) {
    const picture = holdings.picture(source);
    if (picture) put('XObject', name, picture);
  }
  return resources;
}
