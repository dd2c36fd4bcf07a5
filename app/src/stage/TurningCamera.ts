import { type Camera, clampCamera, type Vec } from '@marginalis/core/geometry';
import { StageCamera } from './StageCamera';

/** Of the window's width, what a spread is drawn aside before the next one comes; and a finger so fast turns it at once, CSS pixels a ms. */
const TURNED = 0.25;
const FLICK = 0.4;
/** A spread comes to rest within, ms. */
const SLIDE = 180;
/** Scrolling goes on to the next spread no sooner again, ms. */
const ONE_TURN = 350;

/** A camera that goes from spread to spread where one is seen at a time: by fingers that draw the next one in, and by scrolling on. */
export abstract class TurningCamera extends StageCamera {
  /** When scrolling went on to another spread last. */
  private spreadTurned = -Infinity;
  /** The camera as a spread that comes to rest has moved it last. */
  private sliding: Camera | null = null;

  /** Goes so many spreads on, or back. */
  abstract goSpreads(by: number): void;

  /** Scrolls by CSS pixels; where pages are seen one spread at a time the next one comes at the end of this. */
  scroll(dx: number, dy: number): void {
    const { x, y } = this.camera;
    this.pan(dx, dy);
    const { camera } = this;
    const hasMoved = Math.hypot(camera.x - x, camera.y - y) * camera.zoom > 0.5;
    if (this.stack.flow === 'down' || hasMoved) return;
    const now = performance.now();
    if (now - this.spreadTurned < ONE_TURN) return;
    this.spreadTurned = now;
    this.goSpreads(dx + dy < 0 ? 1 : -1);
  }

  /** Fingers take hold of the paper. */
  grip(): void {
    if (this.stack.flow === 'sideways') this.gripped = this.spreadOn(this.camera);
  }

  /** They let go of it, at a speed in CSS pixels a ms; true where it comes to rest on a spread by itself. */
  letGo(speed: Vec): boolean {
    const { gripped, camera, view } = this;
    this.gripped = null;
    if (gripped === null) return false;
    const kept = clampCamera(camera, this.partAt(gripped), view);
    const beyond = (camera.x - kept.x) * camera.zoom;
    if (Math.abs(beyond) < 1) {
      this.moved();
      return false;
    }
    const way = Math.sign(beyond);
    const isTurned = Math.abs(beyond) > TURNED * view.width || -way * speed.x > FLICK;
    const { spreads } = this.stack;
    const to = Math.min(spreads.length - 1, Math.max(0, isTurned ? gripped + way : gripped));
    const { minX, maxX } = spreads[to].box;
    const x = way > 0 ? minX : maxX - view.width / camera.zoom;
    this.slide(to === gripped ? kept : clampCamera({ ...camera, x }, this.partAt(to), view));
    return true;
  }

  /** Moves the camera there in a moment; anything else that moves it ends that. */
  private slide(to: Camera): void {
    const from = this.camera;
    const begun = performance.now();
    const isStill = window.matchMedia('(prefers-reduced-motion: reduce)').matches;
    const step = (now: number): void => {
      const part = isStill ? 1 : Math.min(1, (now - begun) / SLIDE);
      const eased = 1 - (1 - part) ** 3;
      const at = (key: 'x' | 'y'): number => from[key] + (to[key] - from[key]) * eased;
      const camera = { ...to, x: at('x'), y: at('y') };
      this.sliding = part < 1 ? camera : null;
      this.camera = camera;
      this.moved();
      if (part < 1) requestAnimationFrame((next) => this.camera === camera && step(next));
    };
    step(begun);
  }

  protected override isMoving(): boolean {
    return super.isMoving() || this.sliding === this.camera;
  }
}
