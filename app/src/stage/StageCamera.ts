import { type Page, turnPage } from '@marginalis/core/document';
import {
  box,
  boxesMeet,
  boxHeight,
  boxHolds,
  boxOfPoints,
  boxWidth,
  type Box,
  type Camera,
  clampCamera,
  displayMatrix,
  displaySize,
  FIT_MARGIN,
  fitPageZoom,
  fitWidthZoom,
  growBox,
  invertMatrix,
  type Matrix,
  moveBy,
  PAGE_GAP,
  pagesInBand,
  type PageStack,
  pageUnder,
  spreadAt,
  spreadOf,
  stackPages,
  thenMatrix,
  toStack,
  transform,
  transformBox,
  uniteBoxes,
  type Vec,
  type Viewport,
  wholeStack,
  zoomAbout,
} from '@marginalis/core/geometry';
import type { PageId } from '@marginalis/core/marks';
import { type Fit, PLAIN_VIEW, type StagePlace, type StageView } from './place';

/** So much is seen around what reaches beyond its page, CSS pixels. */
const ROOM = 64;

const placesOf = (pages: readonly Page[]): Map<PageId, number> =>
  new Map(pages.map(({ id }, index) => [id, index]));

/** Pages as the reader has turned them. */
const turned = (pages: readonly Page[], { turn }: StageView): readonly Page[] =>
  turn === 0
    ? pages
    : pages.map((page) => turnPage(page, ((page.turn + turn) % 360) as StageView['turn']));

/** A camera over a stack of pages: what it shows of them, and how it moves. Knows of no screen. */
export abstract class StageCamera {
  stack: PageStack;
  /** As they are seen. */
  pages: readonly Page[];
  protected camera: Camera = { x: 0, y: 0, zoom: 1 };
  protected view: Viewport = { width: 0, height: 0 };
  protected fit: Fit = 'width';
  /** The spread that fingers hold: those beside it can be drawn into sight; null without. */
  protected gripped: number | null = null;
  private places: Map<PageId, number>;
  private reached: { readonly page: PageId; readonly points: readonly Vec[] } | null = null;

  constructor(
    /** As the document has them. */
    protected given: readonly Page[],
    protected seenAs: StageView = PLAIN_VIEW,
  ) {
    this.pages = turned(given, seenAs);
    this.stack = stackPages(this.pages.map(displaySize), seenAs);
    this.places = placesOf(given);
  }

  /** Spreads that are seen one at a time are on their way. */
  protected isMoving(): boolean {
    return this.gripped !== null;
  }

  /** The camera shows something else. */
  protected abstract moved(): void;

  getCamera = (): Camera => this.camera;
  getView = (): Viewport => this.view;

  /** The number of a page, from 0; -1 where it is none of these. */
  indexOf = (id: PageId): number => this.places.get(id) ?? -1;

  /** Takes other pages; what is in sight stays where it is, if it is still there. */
  protected takePages(pages: readonly Page[]): void {
    const { current } = this.seen();
    const anchor = this.pages[current];
    const from = this.stack;
    const { x, y } = this.camera;
    this.lay(pages);
    const known = this.places.get(anchor?.id ?? '');
    const at = known ?? Math.min(current, pages.length - 1);
    if (this.fit !== 'free' && this.stack.width !== from.width) this.refit(at);
    // Where the page is gone its place is taken by another, which need not be as wide.
    const dx =
      known === undefined
        ? (this.stack.width - from.width) / 2
        : this.stack.lefts[at] - from.lefts[current];
    const dy = this.stack.tops[at] - from.tops[current];
    const camera = { ...this.camera, x: x + dx, y: y + dy };
    this.camera = clampCamera(camera, this.partAt(spreadOf(this.stack, at)), this.view);
  }

  /** Arranges and turns the pages otherwise; the page in sight stays in sight. */
  protected takeView(view: StageView): void {
    const { current } = this.seen();
    this.seenAs = view;
    this.lay(this.given);
    this.fit = view.flow === 'sideways' ? 'page' : 'width';
    this.refit(current);
    this.move(this.cameraAt(current, { x: 0, y: -PAGE_GAP }), spreadOf(this.stack, current));
  }

  private lay(pages: readonly Page[]): void {
    this.given = pages;
    this.pages = turned(pages, this.seenAs);
    this.stack = stackPages(this.pages.map(displaySize), this.seenAs);
    this.places = placesOf(pages);
  }

  /** Takes the zoom that the fit asks for at a page. */
  protected refit(i = this.seen().current): void {
    const { spreads, width, flow } = this.stack;
    const { box: spread } = spreads[spreadOf(this.stack, i)];
    const zoom =
      this.fit === 'page'
        ? fitPageZoom(boxWidth(spread), boxHeight(spread), this.view)
        : fitWidthZoom(flow === 'down' ? width : boxWidth(spread), this.view);
    this.camera = { ...this.camera, zoom };
  }

  /** Something of a page reaches as far as these points, in user space, maybe beyond its edge: the camera goes there too, as long as it does. */
  reach(index: number, points: readonly Vec[] | null): void {
    this.reached = points && { page: this.pages[index].id, points };
    this.move(this.camera, this.spreadOn(this.camera));
  }

  /** The page of which something reaches farther; -1 without. */
  protected get reaching(): number {
    return this.reached ? this.indexOf(this.reached.page) : -1;
  }

  /** What the camera is kept over while it shows a spread, with what reaches beyond it. */
  protected partAt(spread: number, camera = this.camera): Box {
    const part = this.pagesAt(spread, camera);
    const { reached, stack } = this;
    const index = this.reaching;
    if (!reached || index < 0) return part;
    if (stack.flow === 'sideways' && spreadOf(stack, index) !== spread) return part;
    const seen = transformBox(displayMatrix(this.pages[index]), boxOfPoints(reached.points));
    const at = moveBy({ x: stack.lefts[index], y: stack.tops[index] });
    const reaches = transformBox(at, seen);
    if (boxHolds(part, reaches)) return part;
    return uniteBoxes(part, growBox(reaches, ROOM / camera.zoom));
  }

  /** Of pages: where spreads lie beside each other that one alone. */
  private pagesAt(spread: number, { zoom }: Camera): Box {
    const { stack, gripped } = this;
    const { spreads } = stack;
    if (stack.flow === 'down' || spreads.length === 0) return wholeStack(stack);
    const { box: middle } = spreads[gripped ?? spread];
    // Beside it the camera has room of its own.
    const above = FIT_MARGIN / zoom;
    const part = { ...middle, minY: middle.minY - above, maxY: middle.maxY + above };
    if (gripped === null) return part;
    const { box: before } = spreads[Math.max(0, gripped - 1)];
    const { box: after } = spreads[Math.min(spreads.length - 1, gripped + 1)];
    return { ...part, minX: before.minX, maxX: after.maxX };
  }

  /** The spread that a camera shows the middle of. */
  protected spreadOn({ x, y, zoom }: Camera): number {
    const { stack, view } = this;
    const along = stack.flow === 'down' ? y + view.height / zoom / 3 : x + view.width / zoom / 2;
    return Math.max(0, spreadAt(stack, along));
  }

  /** Moves the camera, and keeps it over a spread where it shows one at a time. */
  protected move(camera: Camera, spread = this.spreadOn(camera)): void {
    this.camera = clampCamera(camera, this.partAt(spread, camera), this.view);
    this.moved();
  }

  /** Zooms to `zoom` CSS pixels a point about a place in the window. */
  zoomTo(zoom: number, at: Vec = { x: this.view.width / 2, y: this.view.height / 2 }): void {
    this.fit = 'free';
    this.move(zoomAbout(this.camera, zoom, at), this.spreadOn(this.camera));
  }

  /** Moves the paper by CSS pixels. */
  pan(dx: number, dy: number): void {
    const { zoom } = this.camera;
    const { x, y } = this.camera;
    const camera = { ...this.camera, x: x - dx / zoom, y: y - dy / zoom };
    this.move(camera, this.spreadOn(this.camera));
  }

  /** The first and last page of which anything is seen, and the first of the spread that one is at. */
  protected seen(): { first: number; last: number; current: number } {
    const { x, y, zoom } = this.camera;
    const { stack, view } = this;
    const [from, length] = stack.flow === 'down' ? [y, view.height] : [x, view.width];
    const spread = stack.spreads[this.spreadOn(this.camera)];
    const current = spread?.first ?? 0;
    // Where one is seen at a time those beside it come into sight only as it moves.
    if (stack.flow === 'sideways' && spread && !this.isMoving())
      return { first: current, last: spread.last, current };
    return { ...pagesInBand(stack, from, from + length / zoom), current };
  }

  /** What one sees. */
  getPlace(): StagePlace {
    const { current } = this.seen();
    const { x, y, zoom } = this.camera;
    const at = { x: x - this.stack.lefts[current], y: y - this.stack.tops[current] };
    return { page: this.pages[current].id, at, zoom, fit: this.fit };
  }

  /** Goes to a place seen before; nowhere if its page is gone. */
  goToPlace({ page, at, zoom, fit }: StagePlace): void {
    const index = this.indexOf(page);
    if (index < 0) return;
    this.fit = fit;
    if (fit === 'free') this.camera = { ...this.camera, zoom };
    else this.refit(index);
    this.move(this.cameraAt(index, at), spreadOf(this.stack, index));
  }

  /** The camera with a place of a page (points from its upper left corner, as seen) in the window's upper left corner. */
  protected cameraAt(index: number, at: Vec): Camera {
    const { zoom } = this.camera;
    return { x: this.stack.lefts[index] + at.x, y: this.stack.tops[index] + at.y, zoom };
  }

  /** Whether a place lies within a window's height of where the camera is; one whose page is gone does. */
  protected isNear({ page, at }: StagePlace): boolean {
    const index = this.indexOf(page);
    if (index < 0) return true;
    if (this.stack.flow === 'sideways')
      return spreadOf(this.stack, index) === this.spreadOn(this.camera);
    const away = this.stack.tops[index] + at.y - this.camera.y;
    return Math.abs(away) * this.camera.zoom < this.view.height;
  }

  /** Whether the window shows some of a page, or of a part of it in user space. */
  shows(index: number, area: Box | null): boolean {
    const { first, last } = this.seen();
    if (!area) return index >= first && index <= last;
    const { width, height } = this.view;
    return boxesMeet(transformBox(this.userToView(index), area), box(0, 0, width, height));
  }

  /** Whether the window shows a point of a page, in user space, and no nearer to its edges than `inset` CSS pixels. */
  isInSight(index: number, point: Vec, inset = 0): boolean {
    const { x, y } = transform(this.userToView(index), point);
    const { width, height } = this.view;
    return x >= 0 && x <= width && y >= inset && y <= height - inset;
  }

  /** The part of a page that the window shows, display points of the page. */
  protected seenOf(index: number): Box {
    const { zoom } = this.camera;
    const [left, top] = this.cornerOf(index).map((at) => -at / zoom);
    return box(left, top, left + this.view.width / zoom, top + this.view.height / zoom);
  }

  /** Where the upper left corner of a page, as seen, lies in the window, CSS pixels. */
  cornerOf(index: number): readonly [left: number, top: number] {
    const { x, y, zoom } = this.camera;
    return [(this.stack.lefts[index] - x) * zoom, (this.stack.tops[index] - y) * zoom];
  }

  /** Matrix from a page's user space to the window, CSS pixels. */
  userToView(index: number): Matrix {
    const { zoom } = this.camera;
    const [left, top] = this.cornerOf(index);
    return thenMatrix(displayMatrix(this.pages[index], zoom), [1, 0, 0, 1, left, top]);
  }

  /** The page under a place in the window and the place in its user space; null beside the pages. */
  pageAt(at: Vec): { index: number; user: Vec } | null {
    const hit = pageUnder(this.stack, toStack(this.camera, at));
    return hit && { index: hit.index, user: this.toUser(hit.index, at) };
  }

  toUser(index: number, at: Vec): Vec {
    return transform(invertMatrix(this.userToView(index)), at);
  }
}
