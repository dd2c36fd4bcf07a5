import type { Vec } from '@marginalis/core/geometry';
import type { StageController } from './StageController';

/** The speed of a finger is that of its last so many ms. */
const RECENT = 80;
/** A finger that was down for less has not shown how fast it is, ms: its way counts as having taken as long. */
const SHORTEST = 30;
/** Glides begin no faster, CSS pixels a ms: with {@link GLIDE} about a page of a tablet. */
const FASTEST = 3;
/** The speed left after a second, and the one at which a glide ends, CSS pixels a ms. */
const GLIDE = 0.04;
const SLOWEST = 0.02;

const STILL: Vec = { x: 0, y: 0 };

interface Placed {
  readonly at: Vec;
  readonly time: number;
}

/** How fast a finger was just before it was lifted, CSS pixels a ms. */
export function speedOf(trail: readonly Placed[], lifted: number): Vec {
  const recent = trail.filter(({ time }) => lifted - time <= RECENT);
  const [first] = recent;
  const last = recent.at(-1);
  if (!first || !last) return STILL;
  const took = Math.max(SHORTEST, lifted - first.time);
  const x = (last.at.x - first.at.x) / took;
  const y = (last.at.y - first.at.y) / took;
  const slower = FASTEST / Math.max(FASTEST, Math.hypot(x, y));
  return { x: x * slower, y: y * slower };
}

/** Moves the paper with what holds it: one finger moves it on when lifted in motion, two zoom too and never do. */
export class PaperMover {
  /** Where each finger was lately, the newest last. */
  private readonly trails = new Map<number, Placed[]>();
  /** Two have held the paper since a first one took it. */
  private pinched = false;
  private frame = 0;

  constructor(
    private readonly stage: Pick<
      StageController,
      'pan' | 'zoomTo' | 'getCamera' | 'grip' | 'letGo'
    >,
  ) {}

  isHeld = (): boolean => this.trails.size > 0;

  holds = (id: number): boolean => this.trails.has(id);

  /** Times are those of the events, ms. */
  down(id: number, at: Vec, time: number): void {
    this.stop();
    if (this.trails.size === 0) {
      this.pinched = false;
      this.stage.grip();
    }
    this.trails.set(id, [{ at, time }]);
    if (this.trails.size > 1) this.pinched = true;
  }

  move(id: number, at: Vec, time: number): void {
    const trail = this.trails.get(id);
    const before = trail?.at(-1)?.at;
    if (!trail || !before) return;
    const other = [...this.trails].find(([one]) => one !== id)?.[1].at(-1)?.at;
    this.trails.set(id, [...trail.filter((p) => time - p.time <= RECENT), { at, time }]);
    if (other) this.pinch(before, at, other);
    else this.stage.pan(at.x - before.x, at.y - before.y);
  }

  /** What lies between the fingers stays between them. */
  private pinch(before: Vec, at: Vec, other: Vec): void {
    const spread = (p: Vec): number => Math.max(1, Math.hypot(p.x - other.x, p.y - other.y));
    const middle = (p: Vec): Vec => ({ x: (p.x + other.x) / 2, y: (p.y + other.y) / 2 });
    const [from, to] = [middle(before), middle(at)];
    this.stage.pan(to.x - from.x, to.y - from.y);
    this.stage.zoomTo((this.stage.getCamera().zoom * spread(at)) / spread(before), to);
  }

  up(id: number, time: number): void {
    const trail = this.trails.get(id);
    if (!trail) return;
    this.trails.delete(id);
    if (this.trails.size > 0) return;
    const speed = this.pinched ? STILL : speedOf(trail, time);
    if (!this.stage.letGo(speed)) this.glide(speed);
  }

  /** A finger does not hold the paper any more; nothing moves on. */
  letGo(id: number): void {
    if (this.trails.delete(id) && this.trails.size === 0) this.stage.letGo(STILL);
  }

  letAllGo(): void {
    if (this.trails.size > 0) this.stage.letGo(STILL);
    this.trails.clear();
  }

  stop(): void {
    cancelAnimationFrame(this.frame);
    this.frame = 0;
  }

  private glide(speed: Vec): void {
    if (window.matchMedia('(prefers-reduced-motion: reduce)').matches) return;
    let last = performance.now();
    const goOn = (): void => {
      if (Math.hypot(speed.x, speed.y) > SLOWEST) this.frame = requestAnimationFrame(step);
    };
    const step = (now: number): void => {
      const dt = Math.min(50, now - last);
      last = now;
      this.stage.pan(speed.x * dt, speed.y * dt);
      const slower = GLIDE ** (dt / 1000);
      speed = { x: speed.x * slower, y: speed.y * slower };
      goOn();
    };
    goOn();
  }
}
