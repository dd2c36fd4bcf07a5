/** What a contact with the page is for. */
export type Act = 'write' | 'erase' | 'move' | 'ignore';

/** The part of a pointer event that decides. */
export interface Contact {
  readonly id: number;
  readonly type: string;
  readonly button: number;
  readonly buttons: number;
  /** ms */
  readonly time: number;
}

/** Contacts so soon after the stylus was down or hovering are a resting palm, ms. */
export const PALM_TIME = 600;
/** `buttons` of Pointer Events: the barrel button, the eraser end. */
const BARREL = 2;
const ERASER = 32;

/** A second finger within this time of the first means that both move the paper, ms. */
export const SECOND_FINGER_TIME = 350;

/** What is known of the device, and what is learned of it here. */
export interface Device {
  /** Whether one finger writes. */
  fingersWrite(): boolean;
  /** A stylus is here. */
  seePen(): void;
  /** Two fingers moved the paper where one writes. */
  seeTwo(): void;
}

/**
 * Who writes, who moves the paper, who is a palm. A stylus always writes, or rubs out with its eraser end or
 * barrel button. One finger writes or moves, as the device has it; where it writes, two move.
 */
export class Manners {
  private pensDown = new Set<number>();
  private penNearAt = -Infinity;
  private fingers = new Map<number, { act: Act; since: number }>();

  constructor(
    /** Space held: the mouse moves the paper. */
    private readonly isMoving: () => boolean,
    /** Whether anything can be written at all. */
    private readonly canWrite: () => boolean,
    private readonly device: Device,
  ) {}

  /** What the new contact is for; `others` is what becomes of the fingers already down, when that changes. */
  down(c: Contact): { act: Act; others?: Act } {
    if (c.type === 'pen') {
      this.pensDown.add(c.id);
      this.penNear(c.time);
      if (!this.canWrite()) return { act: 'move' };
      for (const finger of this.fingers.values()) finger.act = 'ignore';
      const act = (c.buttons & (BARREL | ERASER)) !== 0 ? 'erase' : 'write';
      return { act, others: 'ignore' };
    }
    if (c.type === 'touch') return this.fingerDown(c);
    if (c.button === 1 || !this.canWrite() || (c.button === 0 && this.isMoving()))
      return { act: 'move' };
    return { act: c.button === 0 ? 'write' : 'ignore' };
  }

  private fingerDown(c: Contact): { act: Act; others?: Act } {
    if (this.pensDown.size > 0 || c.time - this.penNearAt < PALM_TIME) {
      this.fingers.set(c.id, { act: 'ignore', since: c.time });
      return { act: 'ignore' };
    }
    if (!this.canWrite() || !this.device.fingersWrite()) {
      this.fingers.set(c.id, { act: 'move', since: c.time });
      return { act: 'move' };
    }
    const writing = [...this.fingers.values()].filter((f) => f.act === 'write');
    if (this.fingers.size === 0) {
      this.fingers.set(c.id, { act: 'write', since: c.time });
      return { act: 'write' };
    }
    // A late second contact while one finger writes is a palm; an early one starts a pinch.
    const late = writing.some((f) => c.time - f.since > SECOND_FINGER_TIME);
    const act: Act = late ? 'ignore' : 'move';
    this.fingers.set(c.id, { act, since: c.time });
    if (late) return { act };
    for (const finger of this.fingers.values()) finger.act = 'move';
    this.device.seeTwo();
    return { act, others: 'move' };
  }

  /** A stylus hovering or moving keeps palms away. */
  penNear(time: number): void {
    this.device.seePen();
    this.penNearAt = time;
  }

  up(c: Pick<Contact, 'id' | 'type' | 'time'>): void {
    if (c.type === 'pen') {
      this.pensDown.delete(c.id);
      this.penNearAt = c.time;
    }
    this.fingers.delete(c.id);
  }

  /** What a finger that is down is for by now. */
  actOf(id: number): Act | null {
    return this.fingers.get(id)?.act ?? null;
  }
}
