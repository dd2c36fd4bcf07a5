import {
  box,
  boxCentre,
  boxesMeet,
  type Box,
  type Camera,
  clampCamera,
  displayMatrix,
  fitPageZoom,
  fitWidthZoom,
  invertMatrix,
  type Matrix,
  displaySize,
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
import type { Page } from '@marginalis/core/document';
import type { PageId } from '@marginalis/core/marks';
import type { PagePainter } from './PagePainter';
import { type Fit, Jumps, type StagePlace } from './place';

/** After so long without a change of zoom, pages are drawn anew at the new scale, ms. */
const SETTLE = 140;
/** Between what is kept in sight and the window's edge, CSS pixels. */
const EDGE = 8;

interface Mounted {
  readonly element: HTMLElement;
  readonly painter: PagePainter;
}

/** What the rest of the screen shows of the stage. */
export interface StageSight {
  readonly first: number;
  readonly last: number;
  /** The page that has the upper third of the window. */
  readonly current: number;
  readonly zoom: number;
  readonly fit: Fit;
  /** How many pages there are. */
  readonly count: number;
  /** Where one was before the last jump; null without one, and when one is there again. */
  readonly before: StagePlace | null;
  /** So much of the window's head is covered by what is said over the pages, CSS pixels. */
  readonly covered: number;
  /** What another window shows of a page, points from its upper left corner as seen; null without one. */
  readonly framed: { readonly index: number; readonly area: Box } | null;
}

const placesOf = (pages: readonly Page[]): Map<PageId, number> =>
  new Map(pages.map(({ id }, index) => [id, index]));

/** Holds the camera over the page stack and puts the mounted pages in their places. Not React's business. */
export class StageController {
  stack: PageStack;
  private camera: Camera = { x: 0, y: 0, zoom: 1 };
  private view: Viewport = { width: 0, height: 0 };
  private fit: Fit = 'width';
  /** By the page's id: pages come and go between others. */
  private mounted = new Map<PageId, Mounted>();
  private places = new Map<PageId, number>();
  private sight: StageSight = {
    first: 0,
    last: 0,
    current: 0,
    zoom: 1,
    fit: 'width',
    count: 0,
    before: null,
    covered: 0,
    framed: null,
  };
  private covered = 0;
  private framed: StageSight['framed'] = null;
  private readonly jumps = new Jumps();
  /** Where one begins, once the window's size is known. */
  private beginning: StagePlace | null = null;
  private listeners = new Set<() => void>();
  private frame = 0;
  private settleTimer: ReturnType<typeof setTimeout> | undefined;
  private drawnZoom = 0;
  private element: HTMLElement | null = null;
  /** The window's corner on the screen, as last looked. */
  private corner: Vec = { x: 0, y: 0 };

  constructor(public pages: readonly Page[]) {
    this.stack = stackPages(pages.map(displaySize));
    this.places = placesOf(pages);
  }

  /** The pages have changed: what is in sight stays where it is, if it is still there. */
  setPages(pages: readonly Page[]): void {
    if (pages === this.pages) return;
    const { current } = this.sight;
    const anchor = this.pages[current];
    const below = this.camera.y - this.stack.tops[current];
    const width = this.stack.width;
    this.pages = pages;
    this.stack = stackPages(pages.map(displaySize));
    this.places = placesOf(pages);
    const at = this.places.get(anchor?.id ?? '') ?? Math.min(current, pages.length - 1);
    if (this.fit !== 'free' && this.stack.width !== width) this.refit(at);
    // Pages are centred: a wider one among them moves all others.
    const x = this.camera.x + (this.stack.width - width) / 2;
    this.camera = clampCamera(
      { ...this.camera, x, y: this.stack.tops[at] + below },
      this.stack,
      this.view,
    );
    this.arrange();
  }

  /** The number of a page, from 0; -1 where it is none of these. */
  indexOf = (id: PageId): number => this.places.get(id) ?? -1;

  /** Takes the window's element while the stage is on the screen; gives a function that lets go of it. */
  attach(element: HTMLElement): () => void {
    this.element = element;
    this.locate();
    return () => {
      if (this.element === element) this.element = null;
    };
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  getSight = (): StageSight => this.sight;
  getCamera = (): Camera => this.camera;
  getView = (): Viewport => this.view;

  resize(width: number, height: number): void {
    this.locate();
    if (width === this.view.width && height === this.view.height) return;
    const first = this.view.width === 0;
    const at = this.camera.y;
    this.view = { width, height };
    if (first || this.fit !== 'free') {
      this.refit();
      this.move({ ...this.camera, y: first ? 0 : at });
    } else this.move(this.camera);
    if (first && this.beginning) this.goToPlace(this.beginning);
    this.settle();
  }

  /** Has one begin at a place rather than at the head of the first page. */
  beginAt(place: StagePlace): void {
    this.beginning = place;
  }

  /** What one sees. */
  getPlace(): StagePlace {
    const { current, fit } = this.sight;
    const { x, y, zoom } = this.camera;
    const at = { x: x - pageLeft(this.stack, current), y: y - this.stack.tops[current] };
    return { page: this.pages[current].id, at, zoom, fit };
  }

  /** Goes to a place seen before; nowhere if its page is gone. */
  goToPlace({ page, at, zoom, fit }: StagePlace): void {
    const index = this.indexOf(page);
    if (index < 0) return;
    this.fit = fit;
    if (fit === 'free') this.camera = { ...this.camera, zoom };
    else this.refit(index);
    this.move({
      ...this.camera,
      x: pageLeft(this.stack, index) + at.x,
      y: this.stack.tops[index] + at.y,
    });
  }

  /** Back to where one was before the last jump. */
  goBack(): void {
    const { from } = this.jumps;
    this.jumps.forget();
    if (from) this.goToPlace(from);
  }

  /** Moves the camera to another place of the document, from which one may want to go back. */
  private jump(camera: Camera): void {
    const from = this.getPlace();
    const { y } = this.camera;
    const far = 1.5 * (this.view.height / this.camera.zoom);
    this.move(camera);
    if (Math.abs(this.camera.y - y) > far) this.jumps.leave(from, performance.now());
    this.look();
  }

  setFit(fit: 'width' | 'page'): void {
    const page = this.sight.current;
    this.fit = fit;
    this.refit();
    if (fit === 'page')
      this.move({ ...this.camera, y: this.stack.tops[page] - 8 / this.camera.zoom });
    else this.move(this.camera);
    this.settle();
  }

  private refit(i = this.sight.current): void {
    const zoom =
      this.fit === 'page'
        ? fitPageZoom(this.stack.widths[i], this.stack.heights[i], this.view)
        : fitWidthZoom(this.stack.width, this.view);
    this.camera = { ...this.camera, zoom };
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

  goToPage(index: number): void {
    const i = Math.min(this.pages.length - 1, Math.max(0, index));
    this.jump({ ...this.camera, y: this.stack.tops[i] - 8 / this.camera.zoom });
  }

  /** Goes to a page that has just been added, once it is among the pages here: React tells of it with the next frame. */
  goToAdded(id: PageId, then: () => void = () => undefined): void {
    requestAnimationFrame(() => {
      const at = this.indexOf(id);
      if (at < 0) return;
      this.goToPage(at);
      then();
    });
  }

  /** Brings a place of a page (points from its upper left corner, as seen) to the middle of the window. */
  showPlace(index: number, at: Vec): void {
    const { zoom } = this.camera;
    this.jump({
      ...this.camera,
      x: pageLeft(this.stack, index) + at.x - this.view.width / zoom / 2,
      y: this.stack.tops[index] + at.y - this.view.height / zoom / 2,
    });
  }

  /** Whether the window shows some of a page, or of a part of it in user space. */
  shows(index: number, area: Box | null): boolean {
    if (!area) return index >= this.sight.first && index <= this.sight.last;
    const { width, height } = this.view;
    return boxesMeet(transformBox(this.userToView(index), area), box(0, 0, width, height));
  }

  /** Brings a page, or a part of it in user space, into the window, unless some of it is there. */
  bringInSight(index: number, area: Box | null): void {
    if (this.shows(index, area)) return;
    if (area) this.showPlace(index, transform(displayMatrix(this.pages[index]), boxCentre(area)));
    else this.goToPage(index);
  }

  /** Something stands over the head of the window: what is offered keeps clear of it. */
  cover(height: number): void {
    this.covered = height;
    this.publish();
  }

  /** Shows on a page what another window shows of it, and keeps that in sight. */
  frameArea(index: number, area: Box | null): void {
    this.framed = area && { index, area };
    if (area) {
      const { zoom } = this.camera;
      const [, corner] = this.cornerOf(index);
      const [top, bottom] = [corner + area.minY * zoom, corner + area.maxY * zoom];
      if (top < 0) this.pan(0, -top + EDGE);
      else if (bottom > this.view.height) this.pan(0, this.view.height - bottom - EDGE);
    }
    this.publish();
  }

  /** Keeps the zoom when the window's size changes, so that the page stays where it is. */
  holdZoom(): void {
    this.fit = 'free';
    this.publish();
  }

  /** Puts a height of the stack (points) at the top of the window. */
  goToHeight(y: number): void {
    this.jump({ ...this.camera, y });
  }

  private move(camera: Camera): void {
    const zoomed = camera.zoom !== this.drawnZoom;
    this.camera = clampCamera(camera, this.stack, this.view);
    // At once, not with the next frame: the key for the next page may come again before it.
    this.look();
    this.schedule();
    if (zoomed) this.settle();
  }

  mount(id: PageId, page: Mounted): () => void {
    this.mounted.set(id, page);
    this.arrange();
    return () => {
      if (this.mounted.get(id) === page) this.mounted.delete(id);
      page.painter.release();
    };
  }

  /** The element of a page that is mounted; null for the others. */
  elementOf(index: number): HTMLElement | null {
    return this.mounted.get(this.pages[index]?.id ?? '')?.element ?? null;
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

  /** The window's element; null while it is not on the screen. */
  getElement = (): HTMLElement | null => this.element;

  /** A place in the window for a place on the screen. */
  fromClient(clientX: number, clientY: number): Vec {
    return { x: clientX - this.corner.x, y: clientY - this.corner.y };
  }

  /** Looks where the window lies on the screen: asking for it at every sample of a pen would lay the page out each time. */
  locate(): void {
    const r = this.element?.getBoundingClientRect();
    if (r) this.corner = { x: r.left, y: r.top };
  }

  private schedule(): void {
    if (this.frame) return;
    this.frame = requestAnimationFrame(() => {
      this.frame = 0;
      this.arrange();
    });
  }

  private settle(): void {
    clearTimeout(this.settleTimer);
    this.settleTimer = setTimeout(() => {
      this.drawnZoom = this.camera.zoom;
      this.arrange();
    }, SETTLE);
  }

  /** Places every mounted page and tells it what of it is seen. */
  private arrange(): void {
    if (this.view.width === 0) return;
    if (this.drawnZoom === 0) this.drawnZoom = this.camera.zoom;
    const { zoom } = this.camera;
    const dpr = window.devicePixelRatio || 1;
    for (const [id, { element, painter }] of this.mounted) {
      const index = this.indexOf(id);
      // Gone a moment before its boxes are.
      if (index < 0) continue;
      const [left, top] = this.cornerOf(index);
      const s = element.style;
      // Whole device pixels, so that page pictures are not blurred by half a pixel.
      s.transform = `translate(${Math.round(left * dpr) / dpr}px, ${Math.round(top * dpr) / dpr}px)`;
      s.width = `${this.stack.widths[index] * zoom}px`;
      s.height = `${this.stack.heights[index] * zoom}px`;
      const middle = top + (this.stack.heights[index] * zoom) / 2;
      painter.show(
        this.drawnZoom * dpr,
        this.seenOf(index),
        Math.abs(middle - this.view.height / 2),
      );
    }
    this.publish();
  }

  /** The part of a page that the window shows, display points of the page. */
  private seenOf(index: number): Box {
    const { x, y, zoom } = this.camera;
    const left = x - pageLeft(this.stack, index);
    const top = y - this.stack.tops[index];
    return box(left, top, left + this.view.width / zoom, top + this.view.height / zoom);
  }

  private look(): void {
    const { y, zoom } = this.camera;
    const bottom = y + this.view.height / zoom;
    const { first, last } = pagesInBand(this.stack, y, bottom);
    const current = Math.max(0, pageAtHeight(this.stack, y + this.view.height / zoom / 3));
    const count = this.pages.length;
    const { from } = this.jumps;
    if (from && this.isNear(from)) this.jumps.forget();
    const before = this.jumps.from;
    const { covered, framed } = this;
    const next: StageSight = {
      first,
      last,
      current,
      zoom,
      fit: this.fit,
      count,
      before,
      covered,
      framed,
    };
    const same = (Object.keys(next) as (keyof StageSight)[]).every(
      (k) => next[k] === this.sight[k],
    );
    this.sight = same ? this.sight : next;
  }

  /** Whether a place is in sight, or nearly. */
  private isNear({ page, at }: StagePlace): boolean {
    const index = this.indexOf(page);
    if (index < 0) return true;
    const away = this.stack.tops[index] + at.y - this.camera.y;
    return Math.abs(away) * this.camera.zoom < this.view.height;
  }

  private publish(): void {
    this.look();
    for (const listener of this.listeners) listener();
  }
}
