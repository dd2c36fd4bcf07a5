/**
 * What a writing hand does, as a linear model: a pen that moves smoothly (its jerk is white noise), a tremor
 * (a damped oscillation) and the sensor's noise on top. Everything is in units of the sensor's variance.
 */
export interface HandModel {
  /** Strength of the jerk, 1/s⁵: how briskly the hand may change its movement. */
  readonly jerk: number;
  /** Variance of the tremor. */
  readonly tremor: number;
  /** Frequency of the tremor, Hz. */
  readonly tremorHz: number;
}

/** A hand without a tremor; the frequency of none does not matter. */
export const NO_TREMOR = { tremor: 0, tremorHz: 9.5 } as const;
/** A brisk hand, to judge by before anything is known of the hand. */
export const SOME_HAND: HandModel = { jerk: 1e10, ...NO_TREMOR };

/** How fast a tremor forgets its phase, 1/s; its line in the spectrum is about 1.3 Hz wide. */
const DAMPING = 4;
/** Steps longer than this are taken as so long, s: after a pause nothing is known but the place. */
const LONGEST_STEP = 0.25;

/** The model over one step of time: how the state moves on and what is added to its covariance. */
export interface Transition {
  /** Seconds. */
  readonly dt: number;
  /** dt²/2. */
  readonly half: number;
  /** Damped rotation of the tremor. */
  readonly turnCos: number;
  readonly turnSin: number;
  /** Added to the covariance: place, speed and acceleration among themselves; the tremor's two parts. */
  readonly qpp: number;
  readonly qpv: number;
  readonly qpa: number;
  readonly qvv: number;
  readonly qva: number;
  readonly qaa: number;
  readonly qt: number;
}

export function transitionOver(model: HandModel, seconds: number): Transition {
  const dt = Math.min(LONGEST_STEP, Math.max(0, seconds));
  const q = model.jerk;
  const dt2 = dt * dt;
  const dt3 = dt2 * dt;
  const decay = Math.exp(-DAMPING * dt);
  const angle = 2 * Math.PI * model.tremorHz * dt;
  return {
    dt,
    half: dt2 / 2,
    turnCos: decay * Math.cos(angle),
    turnSin: decay * Math.sin(angle),
    qpp: (q * dt3 * dt2) / 20,
    qpv: (q * dt2 * dt2) / 8,
    qpa: (q * dt3) / 6,
    qvv: (q * dt3) / 3,
    qva: (q * dt2) / 2,
    qaa: q * dt,
    qt: model.tremor * (1 - decay * decay),
  };
}

/** Transitions by their time in ms: a stroke has few different ones. */
export function createTransitions(model: HandModel): (ms: number) => Transition {
  const kept = new Map<number, Transition>();
  return (ms) => {
    let made = kept.get(ms);
    if (!made) {
      made = transitionOver(model, ms / 1000);
      if (kept.size < 256) kept.set(ms, made);
    }
    return made;
  };
}
