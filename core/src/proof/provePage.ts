import type { CopyFonts } from '../copy/index.ts';
import { layersFrom } from '../derived/index.ts';
import type { Drawing } from '../drawing/index.ts';
import {
  type Box,
  boxesMeet,
  boxHolds,
  boxHeight,
  boxWidth,
  displayMatrix,
  displaySize,
  growBox,
  invertMatrix,
  type Matrix,
  type PageBox,
  thenMatrix,
  transformBox,
  uniteBoxes,
} from '../geometry/index.ts';
import type { MarkId } from '../marks/index.ts';
import type { OpenPages, Raster } from '../pdfium/index.ts';
import { charactersMissing, charactersOf, isKept } from './characters.ts';
import { compareRasters, type Difference } from './compare.ts';
import { GoneFromPage } from './goneFromPage.ts';
import { lostMarks } from './lostMarks.ts';
import type { ProofPainter } from './painter.ts';
import { pictureGrid } from './pictureGrid.ts';
import { readCopy, type ReadPage, readSource } from './readPage.ts';
import type { WantedPage } from './wantedPage.ts';

/** So many pixels that hang together make a page wrong: about as many as the stem of a small letter has. */
const SPOT = 8;
/** So many of them with nothing like them near. */
const CLEAR = 2;
/** Letters are drawn so far beyond their boxes, pixels. */
const EDGE = 1;
/** As much of what is inked may differ in single pixels. */
const SHARE = 0.005;
/** Spots that are told of a page at most; those so near each other are one place, points. */
const MOST_SPOTS = 60;
const NEAR = 8;
/** Points by which a size may be rounded. */
const ROUNDED = 0.5;

/** How a page of a copy stands against what the screen shows. */
export interface PageProof {
  /** Of the copy, from 0. */
  readonly index: number;
  /** Nothing of what follows is wrong. */
  readonly alike: boolean;
  /** Of what is inked, the share that differs, 0–1. */
  readonly differs: number;
  /** Where it differs, points as the page is seen, y down. */
  readonly places: readonly Box[];
  readonly marks: number;
  /** Marks that are not found at their places. */
  readonly lost: readonly MarkId[];
  /** Whether the print can be read as in the source. */
  readonly textKept: boolean;
  /** Characters that are typed, or said in notes, and cannot be read in the copy. */
  readonly unread: string;
  /** Characters that corrections and redactions have taken out, and that can still be read in the copy. */
  readonly still: string;
  /** Links in the source, with one's own, and in the copy, which has no more. */
  readonly links: { readonly source: number; readonly copy: number };
  /** Annotations beside links, which a fixed copy has none of. */
  readonly annotations: number;
  /** The page has its size. */
  readonly sized: boolean;
}

/** A page, and pictures of it: as the screen shows it, and as the copy does. */
export interface ProvedPage {
  readonly proof: PageProof;
  /** How the copy shows it. */
  readonly geometry: PageBox;
  readonly wanted: Raster;
  readonly found: Raster;
}

/** What a proof needs at hand. */
export interface ProofTools {
  /** An open source by its name. */
  readonly sources: (source: string) => OpenPages | null;
  readonly copy: OpenPages;
  readonly fonts: CopyFonts;
  readonly painter: ProofPainter;
}

/** Compares a page of a copy with what it is to show; of a living one annotations are what it is made of. */
export async function provePage(
  page: WantedPage,
  tools: ProofTools,
  isLiving = false,
): Promise<ProvedPage> {
  const { fonts, painter } = tools;
  const grid = pictureGrid(page.geometry, page.page);
  const { matrix } = grid;
  const source = readSource(page, grid, tools.sources);
  const copy = readCopy(page, grid, tools.copy);
  const found = copy.picture ?? white(grid);
  const bareOf = ({ picture }: ReadPage): Promise<Raster> =>
    painter.paint(picture ?? white(grid), page.paper, matrix);
  const { beneath, over } = layersFrom(page.marks);
  const drawing = await fonts.set([...beneath, ...over, ...page.notes, ...page.frames]);
  const wanted = await painter.paint(await bareOf(source), drawing, matrix);
  const smaller = page.smaller.map((one) => transformBox(matrix, one));
  const photographs = [...photographsIn(drawing, matrix), ...smaller.map(placeIn)];
  const compared = compareRasters(wanted, found, photographs);
  const partly = source.partly.map((one) => growBox(transformBox(matrix, one), EDGE));
  const difference = withoutSpots(compared, ({ box }) => isOver(box, partly));
  // A mark that is not there is missed in pixels first; not a faint one on a picture, of which squares are compared.
  const doubtful = [...difference.spots.map(({ box }) => box), ...smaller];
  // Drawn once more where it is needed, which is seldom: keeping it takes longer on every page.
  const bare = (): Promise<Raster> => bareOf(readSource(page, grid, tools.sources));
  const pictures = { bare, wanted, found };
  const lost = await lostMarks(page.marks, doubtful, pictures, matrix, fonts, painter);
  const back = thenMatrix(invertMatrix(matrix), displayMatrix(page.geometry));
  const seen = isLiving ? { ...copy, annotations: 0 } : copy;
  const out = new GoneFromPage(page.bars, [], page.isCut && page.page ? page.page.box : null);
  const said = charactersOf(drawing);
  const besides = out.some ? layersFrom(out.beside(page.marks)) : null;
  const surely = besides
    ? charactersOf(await fonts.set([...besides.beneath, ...besides.over, ...page.notes]))
    : said;
  const proof = judged(page, source, seen, difference, lost, { said, surely }, back);
  return { proof, geometry: page.geometry, wanted, found };
}

function judged(
  { index, geometry, marks, linksAdded, takenOut, bars, isCut }: WantedPage,
  source: ReadPage,
  copy: ReadPage,
  { inked, differing, spots }: Difference,
  lost: readonly MarkId[],
  added: { readonly said: string; readonly surely: string },
  back: Matrix,
): PageProof {
  const large = spots.filter(({ pixels, clear }) => pixels >= SPOT && clear >= CLEAR);
  const told = {
    index,
    differs: inked === 0 ? 0 : differing / inked,
    places: joinedBoxes(large.slice(0, MOST_SPOTS).map((spot) => transformBox(back, spot.box))),
    marks: marks.length,
    lost,
    textKept: isKept(source.kept, copy.characters),
    unread: charactersMissing(source.kept + added.surely, copy.characters),
    // What was taken out must not be there in whatever way.
    still:
      takenOut.length + bars.length > 0 || isCut
        ? charactersMissing(copy.characters, source.rest + added.said) + copy.gone
        : '',
    links: { source: source.links + linksAdded, copy: copy.links },
    annotations: copy.annotations,
    sized: isSized(geometry, copy),
  };
  const alike =
    copy.picture !== null &&
    large.length === 0 &&
    told.differs <= SHARE &&
    lost.length === 0 &&
    told.textKept &&
    told.unread === '' &&
    told.still === '' &&
    told.annotations === 0 &&
    told.links.copy <= told.links.source &&
    told.sized;
  return { alike, ...told };
}

function withoutSpots(
  { inked, differing, spots }: Difference,
  which: (spot: Difference['spots'][number]) => boolean,
): Difference {
  const out = new Set(spots.filter(which));
  const pixels = [...out].reduce((sum, one) => sum + one.pixels, 0);
  return { inked, differing: differing - pixels, spots: spots.filter((one) => !out.has(one)) };
}

/** Whether a box lies over letters, which may hang together. */
function isOver(box: Box, letters: readonly Box[]): boolean {
  const met = letters.filter((one) => boxesMeet(one, box));
  return met.length > 0 && boxHolds(met.reduce(uniteBoxes), box);
}

/** Boxes that lie near each other as one. */
function joinedBoxes(boxes: readonly Box[]): Box[] {
  const places: Box[] = [];
  for (const one of boxes) {
    let whole = one;
    for (let k = places.length - 1; k >= 0; k--) {
      if (!boxesMeet(growBox(whole, NEAR), places[k])) continue;
      whole = uniteBoxes(whole, places[k]);
      places.splice(k, 1);
      // What has grown may reach others now.
      k = places.length;
    }
    places.push(whole);
  }
  return places;
}

function isSized(geometry: WantedPage['geometry'], { size }: ReadPage): boolean {
  const { width, height } = displaySize({ ...geometry, userUnit: 1 });
  return Math.abs(size.width - width) < ROUNDED && Math.abs(size.height - height) < ROUNDED;
}

const white = ({ width, height }: { width: number; height: number }): Raster => ({
  width,
  height,
  data: new Uint8ClampedArray(width * height * 4).fill(255),
});

/** What carries the unit square onto a box. */
const placeIn = (b: Box): Matrix => [boxWidth(b), 0, 0, boxHeight(b), b.minX, b.minY];

/** Where pictures lie in a drawing, pixels. */
const photographsIn = (drawing: Drawing, matrix: Matrix): Matrix[] =>
  drawing.flatMap((item) =>
    item.is === 'picture'
      ? [thenMatrix(item.place, matrix)]
      : item.is === 'group'
        ? photographsIn(item.items, matrix)
        : [],
  );
