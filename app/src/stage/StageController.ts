import type { Page } from '@marginalis/core/document';
import {
  boxCentre,
  boxOfPoints,
  type Box,
  type Camera,
  displayMatrix,
  spreadOf,
  transform,
  transformBox,
  type Vec,
} from '@marginalis/core/geometry';
import type { PageId } from '@marginalis/core/marks';
import { KeptPapers } from './KeptPapers';
import type { PaperLook } from './look';
import type { PagePainter } from './PagePainter';
import { type StagePlace, type StageView, Visited } from './place';
import { NOTHING, type StageSight } from './sight';
import { TurningCamera } from './TurningCamera';
import { Touches } from './touches';

/** After so long without a change of zoom, pages are drawn anew at the new scale, ms. */
const SETTLE = 140;
/** Between what is gone to or kept in sight and the window's edge, CSS pixels. */
const EDGE = 8;
/** What is gone to stands so far from the head of the window, CSS pixels. */
const SPOT = 24;
/** One may want to come back from farther than so many heights of the window, or spreads. */
const FAR = 1.5;

interface Mounted {
  readonly element: HTMLElement;
  readonly painter: PagePainter;
}

/** Puts the mounted pages where the camera sees them, and says what is in sight. Not React's business. */
export class StageController extends TurningCamera {
  /** The print of pages that went out of sight. */
  readonly papers = new KeptPapers();
  /** Taps and holds of fingers that move the paper. */
  readonly touches = new Touches();
  /** By the page's id: pages come and go between others. */
  private readonly mounted = new Map<PageId, Mounted>();
  private sight = NOTHING;
  private covered = 0;
  private framed: StageSight['framed'] = null;
  private paperLook: PaperLook = 'plain';
  private readonly visited = new Visited();
  private held: StagePlace | null = null;
  private fitBefore: { readonly fit: 'width' | 'page'; readonly zoom: number } | null = null;
  /** Where one begins, once the window's size is known. */
  private beginning: StagePlace | null = null;
  private readonly listeners = new Set<() => void>();
  private frame = 0;
  private settleTimer: ReturnType<typeof setTimeout> | undefined;
  private drawnZoom = 0;
  private element: HTMLElement | null = null;
  /** The window's corner on the screen, as last looked. */
  private corner: Vec = { x: 0, y: 0 };

  /** Takes the window's element while the stage is on the screen; gives a function that lets go of it. */
  attach(element: HTMLElement): () => void {
    this.element = element;
    this.locate();
    return () => {
      if (this.element !== element) return;
      this.element = null;
      this.papers.clear();
    };
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  getSight = (): StageSight => this.sight;

  /** The pages have changed. */
  setPages(pages: readonly Page[]): void {
    if (pages === this.given) return;
    this.takePages(pages);
    this.arrange();
  }

  resize(width: number, height: number): void {
    this.locate();
    if (width === this.view.width && height === this.view.height) return;
    const first = this.view.width === 0;
    const at = this.camera.y;
    const spread = this.spreadOn(this.camera);
    this.view = { width, height };
    if (first || this.fit !== 'free') {
      this.refit(this.stack.spreads[spread]?.first);
      this.move({ ...this.camera, y: first ? 0 : at }, spread);
    } else this.move(this.camera, spread);
    if (first && this.beginning) this.goToPlace(this.beginning);
    this.settle();
  }

  setFit(fit: 'width' | 'page'): void {
    const { current } = this.sight;
    this.fit = fit;
    this.refit();
    this.move(fit === 'page' ? this.cameraOn(current) : this.camera);
    this.settle();
  }

  /** Keeps the zoom when the window's size changes, so that the page stays where it is. */
  holdZoom(): void {
    if (this.fit !== 'free') this.fitBefore = { fit: this.fit, zoom: this.camera.zoom };
    this.fit = 'free';
    this.publish();
  }

  /** Fits as before the zoom was held, unless somebody has zoomed since. */
  fitAgain(): void {
    const { fitBefore, fit, camera } = this;
    if (fit === 'free' && fitBefore?.zoom === camera.zoom) this.setFit(fitBefore.fit);
  }

  /** Arranges and turns the pages otherwise; the page in sight stays in sight. */
  setView(view: StageView): void {
    this.takeView(view);
    this.settle();
    this.publish();
  }

  /** Has one begin at a place rather than at the head of the first page. */
  beginAt(place: StagePlace): void {
    this.beginning = place;
  }

  /** The camera with the head of a page at the head of the window. */
  private cameraOn(index: number): Camera {
    const { stack } = this;
    const { x, zoom } = this.camera;
    const [left, right] = [stack.lefts[index], stack.lefts[index] + stack.widths[index]];
    const isBeside = right <= x || left >= x + this.view.width / zoom;
    return { zoom, x: isBeside ? left - EDGE / zoom : x, y: stack.tops[index] - EDGE / zoom };
  }

  goToPage(index: number): void {
    const at = Math.min(this.pages.length - 1, Math.max(0, index));
    this.jump(this.cameraOn(at), at);
  }

  /** Goes so many spreads on, or back: pages where each lies by itself. */
  goSpreads(by: number): void {
    const { spreads } = this.stack;
    const to = spreadOf(this.stack, this.sight.current) + by;
    this.goToPage(spreads[Math.min(spreads.length - 1, Math.max(0, to))]?.first ?? 0);
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

  /** Goes so far through the pages, 0–1: what lies there is in the middle of the window. */
  goToShare(share: number): void {
    const { stack } = this;
    const index = Math.min(this.pages.length - 1, Math.floor(share * this.pages.length));
    if (stack.flow === 'sideways') return this.goToPage(index);
    const { zoom } = this.camera;
    this.jump({ ...this.camera, y: share * stack.height - this.view.height / zoom / 2 }, null);
  }

  /** Goes to a spot of a page, in user space, where reading goes on: it comes to stand near the head of the window. */
  goToSpot(index: number, at: Vec | null): void {
    if (!at) return this.jump(this.cameraOn(index), index, true);
    const { x, y } = transform(displayMatrix(this.pages[index]), at);
    const { zoom } = this.camera;
    const head = (this.covered + SPOT) / zoom;
    const left = this.stack.lefts[index] + x;
    const isSeen = left >= this.camera.x && left < this.camera.x + this.view.width / zoom;
    const from = isSeen ? this.camera.x : left - SPOT / zoom;
    this.jump({ zoom, x: from, y: this.stack.tops[index] + y - head }, index, true);
  }

  /** Brings a place of a page (points from its upper left corner, as seen) to the middle of the window. */
  showPlace(index: number, at: Vec): void {
    const { zoom } = this.camera;
    const { width, height } = this.view;
    const corner = { x: at.x - width / zoom / 2, y: at.y - height / zoom / 2 };
    this.jump(this.cameraAt(index, corner), index);
  }

  /** Brings a page, or a part of it in user space, into the window, unless some of it is there. */
  bringInSight(index: number, area: Box | null): void {
    if (this.shows(index, area)) return;
    if (area) this.showPlace(index, transform(displayMatrix(this.pages[index]), boxCentre(area)));
    else this.goToPage(index);
  }

  /** Has a part of a page, in user space, fill the width of the window; `at` stays at its height. */
  fillWidth(index: number, part: Box, at: Vec): void {
    const seen = transformBox(displayMatrix(this.pages[index]), part);
    const before = transform(this.userToView(index), at);
    const zoom = (this.view.width - 2 * EDGE) / (seen.maxX - seen.minX);
    this.zoomTo(zoom, before);
    const left = transformBox(this.userToView(index), part).minX;
    this.pan(EDGE - left, 0);
  }

  /** Moves the paper no farther than it needs for points of a page, in user space, to be in sight. */
  keepInSight(index: number, points: readonly Vec[]): void {
    if (!this.shows(index, null)) this.goToPage(index);
    const seen = boxOfPoints(points.map((p) => transform(this.userToView(index), p)));
    const { width, height } = this.view;
    const by = (low: number, high: number, from: number, to: number): number =>
      low < from ? from - low : high > to ? to - high : 0;
    const dx = by(seen.minX, seen.maxX, SPOT, width - SPOT);
    const dy = by(seen.minY, seen.maxY, this.covered + 2 * SPOT, height - 2 * SPOT);
    if (dx !== 0 || dy !== 0) this.pan(dx, dy);
  }

  /** Moves the camera to another place of the document, on a page or wherever it is then, from which one may want to go back. */
  private jump(camera: Camera, index: number | null, chosen = false): void {
    const from = this.getPlace();
    const { y, zoom } = this.camera;
    const spread = this.spreadOn(this.camera);
    this.move(camera, index === null ? undefined : spreadOf(this.stack, index));
    const isFar =
      this.stack.flow === 'down'
        ? Math.abs(this.camera.y - y) * zoom > FAR * this.view.height
        : Math.abs(this.spreadOn(this.camera) - spread) > FAR;
    if (isFar) this.visited.leave(from, performance.now(), chosen);
    this.look();
  }

  /** Back to where one was before the last jump, or forward again. */
  step(way: 'back' | 'forward'): void {
    const place = this.visited.step(way, this.getPlace());
    if (place) this.goToPlace(place);
  }

  /** Holds a place, to flip between it and others; null lets it go. */
  hold(place: StagePlace | null): void {
    this.held = place;
    this.publish();
  }

  /** To the place that is held; where one is now is held instead. */
  flip(): void {
    const to = this.held;
    if (!to) return;
    this.held = this.getPlace();
    this.goToPlace(to);
  }

  /** Something stands over the head of the window: what is offered keeps clear of it. */
  cover(height: number): void {
    this.covered = height;
    this.publish();
  }

  /** Shows on a page what another window shows of it, and keeps that in sight. */
  frameArea(index: number, area: Box): void {
    this.framed = { index, area };
    const { zoom } = this.camera;
    const [, corner] = this.cornerOf(index);
    const [top, bottom] = [corner + area.minY * zoom, corner + area.maxY * zoom];
    if (top < 0) this.pan(0, EDGE - top);
    else if (bottom > this.view.height) this.pan(0, this.view.height - bottom - EDGE);
    this.publish();
  }

  /** What the pages show has changed: paper is drawn anew. */
  renewPaper(): void {
    this.papers.clear();
    for (const { painter } of this.mounted.values()) painter.renew();
    this.arrange();
  }

  /** What a page shows has changed: its paper is drawn anew. */
  renewPage(id: PageId): void {
    const page = this.pages.find((one) => one.id === id);
    if (page) this.papers.forget(page);
    this.mounted.get(id)?.painter.renew();
    this.arrange();
  }

  setLook(look: PaperLook): void {
    this.paperLook = look;
    this.publish();
  }

  /** The other window is closed. */
  endFrame(): void {
    this.framed = null;
    this.publish();
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

  protected moved(): void {
    // At once, not with the next frame: the key for the next page may come again before it.
    this.look();
    this.frame ||= requestAnimationFrame(() => {
      this.frame = 0;
      this.arrange();
    });
    if (this.camera.zoom !== this.drawnZoom) this.settle();
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
    const { first, last } = this.seen();
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
      s.visibility =
        this.stack.flow === 'down' || (index >= first && index <= last) ? '' : 'hidden';
      const middle = top + (this.stack.heights[index] * zoom) / 2;
      const across = left + (this.stack.widths[index] * zoom) / 2 - this.view.width / 2;
      const away = Math.hypot(middle - this.view.height / 2, across);
      painter.show(this.drawnZoom * dpr, this.seenOf(index), away);
    }
    this.publish();
  }

  private look(): void {
    this.visited.forgetNear((place) => this.isNear(place));
    const next: StageSight = {
      ...this.seen(),
      reaching: this.reaching,
      zoom: this.camera.zoom,
      fit: this.fit,
      view: this.seenAs,
      pages: this.pages,
      count: this.pages.length,
      before: this.visited.before,
      after: this.visited.after,
      held: this.held,
      covered: this.covered,
      framed: this.framed,
      look: this.paperLook,
    };
    const isSame = (k: keyof StageSight): boolean => next[k] === this.sight[k];
    if (!(Object.keys(next) as (keyof StageSight)[]).every(isSame)) this.sight = next;
  }

  private publish(): void {
    this.look();
    for (const listener of this.listeners) listener();
  }
}
