import type { Page } from '@marginalis/core/document';
import {
  box,
  boxesMeet,
  type Box,
  type Camera,
  clampCamera,
  displayMatrix,
  displaySize,
  fitPageZoom,
  fitWidthZoom,
  invertMatrix,
  type Matrix,
  pageAtHeight,
  pageLeft,
  pagesInBand,
  type PageStack,
  pageUnder,
  stackPages,
  thenMatrix,
  toStack,
  transform,
  transformBox,
  type Vec,
  type Viewport,
  zoomAbout,
} from '@marginalis/core/geometry';
import type { PageId } from '@marginalis/core/marks';
import type { Fit, StagePlace } from './place';

const placesOf = (pages: readonly Page[]): Map<PageId, number> =>
  new Map(pages.map(({ id }, index) => [id, index]));

/** A camera over a stack of pages: what it shows of them, and how it moves. Knows of no screen. */
export abstract class StageCamera {
  stack: PageStack;
  protected camera: Camera = { x: 0, y: 0, zoom: 1 };
  protected view: Viewport = { width: 0, height: 0 };
  protected fit: Fit = 'width';
  private places: Map<PageId, number>;

  constructor(public pages: readonly Page[]) {
    this.stack = stackPages(pages.map(displaySize));
    this.places = placesOf(pages);
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
    const below = this.camera.y - this.stack.tops[current];
    const { width } = this.stack;
    this.pages = pages;
    this.stack = stackPages(pages.map(displaySize));
    this.places = placesOf(pages);
    const at = this.places.get(anchor?.id ?? '') ?? Math.min(current, pages.length - 1);
    if (this.fit !== 'free' && this.stack.width !== width) this.refit(at);
    // Pages are centred: a wider one among them moves all others.
    const x = this.camera.x + (this.stack.width - width) / 2;
    const y = this.stack.tops[at] + below;
    this.camera = clampCamera({ ...this.camera, x, y }, this.stack, this.view);
  }

  /** Takes the zoom that the fit asks for at a page. */
  protected refit(i = this.seen().current): void {
    const zoom =
      this.fit === 'page'
        ? fitPageZoom(this.stack.widths[i], this.stack.heights[i], this.view)
        : fitWidthZoom(this.stack.width, this.view);
    this.camera = { ...this.camera, zoom };
  }

  protected move(camera: Camera): void {
    this.camera = clampCamera(camera, this.stack, this.view);
    this.moved();
  }

  /** Zooms to `zoom` CSS pixels a point about a place in the window. */
  zoomTo(zoom: number, at: Vec = { x: this.view.width / 2, y: this.view.height / 2 }): void {
    this.fit = 'free';
    this.move(zoomAbout(this.camera, zoom, at));
  }

  /** Moves the paper by CSS pixels. */
  pan(dx: number, dy: number): void {
    const { zoom } = this.camera;
    this.move({ ...this.camera, x: this.camera.x - dx / zoom, y: this.camera.y - dy / zoom });
  }

  /** The first and last page of which anything is seen, and the one that has the upper third of the window. */
  protected seen(): { first: number; last: number; current: number } {
    const { y, zoom } = this.camera;
    const height = this.view.height / zoom;
    const current = Math.max(0, pageAtHeight(this.stack, y + height / 3));
    return { ...pagesInBand(this.stack, y, y + height), current };
  }

  /** What one sees. */
  getPlace(): StagePlace {
    const { current } = this.seen();
    const { x, y, zoom } = this.camera;
    const at = { x: x - pageLeft(this.stack, current), y: y - this.stack.tops[current] };
    return { page: this.pages[current].id, at, zoom, fit: this.fit };
  }

  /** Goes to a place seen before; nowhere if its page is gone. */
  goToPlace({ page, at, zoom, fit }: StagePlace): void {
    const index = this.indexOf(page);
    if (index < 0) return;
    this.fit = fit;
    if (fit === 'free') this.camera = { ...this.camera, zoom };
    else this.refit(index);
    this.move(this.cameraAt(index, at));
  }

  /** The camera with a place of a page (points from its upper left corner, as seen) in the window's upper left corner. */
  protected cameraAt(index: number, at: Vec): Camera {
    const { zoom } = this.camera;
    return { x: pageLeft(this.stack, index) + at.x, y: this.stack.tops[index] + at.y, zoom };
  }

  /** Whether a place lies within a window's height of where the camera is; one whose page is gone does. */
  protected isNear({ page, at }: StagePlace): boolean {
    const index = this.indexOf(page);
    if (index < 0) return true;
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
    return [(pageLeft(this.stack, index) - x) * zoom, (this.stack.tops[index] - y) * zoom];
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
