import {
  PDFArray,
  type PDFDict,
  PDFName,
  PDFNumber,
  type PDFObject,
  PDFStream,
} from '@cantoo/pdf-lib';

/** How the colours of a picture are taken over. */
export interface Colours {
  /** How many numbers a pixel of the packed picture has. */
  readonly components: 1 | 3;
  /** The colour space in which it is drawn, so that its numbers come out as they went in. */
  readonly drawn: PDFObject;
  /** The colour space that these numbers are of. */
  readonly kept: PDFObject;
}

const GRAY = PDFName.of('DeviceGray');
const RGB = PDFName.of('DeviceRGB');
const INDEXED = [PDFName.of('Indexed'), PDFName.of('I')];

/**
 * How the colours of a picture are taken over (ISO 32000-1 §8.6); null where they cannot be without loss, as inks of a press
 * and spot colours.
 */
export function coloursOf(picture: PDFDict): Colours | null {
  const key = PDFName.of('ColorSpace');
  const given = picture.get(key);
  const space = picture.lookup(key);
  if (!given || !space) return null;
  const components = componentsOf(space);
  if (components) return { components, drawn: components === 1 ? GRAY : RGB, kept: given };
  if (!(space instanceof PDFArray) || space.size() !== 4) return null;
  if (!INDEXED.includes(space.lookup(0) as PDFName)) return null;
  const base = space.lookup(1);
  const ofBase = base && componentsOf(base);
  if (!ofBase) return null;
  const device = ofBase === 1 ? GRAY : RGB;
  const drawn = picture.context.obj([space.get(0), device, space.get(2), space.get(3)]);
  return { components: ofBase, drawn, kept: space.get(1) };
}

function componentsOf(space: PDFObject): 1 | 3 | null {
  if (space === GRAY || space === PDFName.of('G')) return 1;
  if (space === RGB) return 3;
  if (!(space instanceof PDFArray)) return null;
  switch (space.lookup(0)) {
    case PDFName.of('CalGray'):
      return 1;
    case PDFName.of('CalRGB'):
      return 3;
    case PDFName.of('ICCBased'): {
      const profile = space.lookup(1);
      // With ranges of its own, as of Lab, its numbers do not begin at nought.
      if (!(profile instanceof PDFStream) || profile.dict.has(PDFName.of('Range'))) return null;
      const n = profile.dict.lookup(PDFName.of('N'));
      const count = n instanceof PDFNumber ? n.asNumber() : 0;
      return count === 1 || count === 3 ? count : null;
    }
    default:
      return null;
  }
}
