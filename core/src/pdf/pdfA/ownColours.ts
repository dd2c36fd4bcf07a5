import {
  PDFArray,
  PDFDict,
  type PDFDocument,
  PDFName,
  PDFNumber,
  PDFStream,
  type PDFRef,
} from '@cantoo/pdf-lib';
import { claimsPdfA } from './claim.ts';

/** How our colours, which are those of a screen, are said in a file that promises how its colours look. */
export interface OwnColours {
  /** A colour space that says what red, green and blue are. */
  readonly rgb: PDFRef;
  /** Pages must say in which colours what can be seen through is blended. */
  readonly blended: boolean;
}

/** sRGB by its primaries, white point and the power nearest to its curve (IEC 61966-2-1; ISO 32000-1 §8.6.5.3). */
const SRGB = {
  WhitePoint: [0.9505, 1, 1.089],
  Gamma: [2.2, 2.2, 2.2],
  Matrix: [0.4124, 0.2126, 0.0193, 0.3576, 0.7152, 0.1192, 0.1805, 0.0722, 0.9505],
};
const RGB = 3;

/** Null where red, green and blue need no saying: in every file that is not PDF/A, and in one that is meant for a screen (ISO 19005-2 6.2.4.3). */
export function ownColours(doc: PDFDocument): OwnColours | null {
  if (!claimsPdfA(doc)) return null;
  const intents = intentsOf(doc);
  if (intents.includes(RGB)) return null;
  const { context } = doc;
  const rgb = context.register(context.obj(['CalRGB', context.obj(SRGB)]));
  return { rgb, blended: intents.length === 0 };
}

/** How many inks each device has that the colours of a file are meant for. */
function intentsOf({ catalog }: PDFDocument): number[] {
  const intents = catalog.lookup(PDFName.of('OutputIntents'));
  if (!(intents instanceof PDFArray)) return [];
  return Array.from({ length: intents.size() }, (_, k) => intents.lookup(k)).flatMap((intent) => {
    const profile = intent instanceof PDFDict && intent.lookup(PDFName.of('DestOutputProfile'));
    const n = profile instanceof PDFStream && profile.dict.lookup(PDFName.of('N'));
    return n instanceof PDFNumber ? [n.asNumber()] : [];
  });
}
