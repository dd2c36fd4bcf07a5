/** Takes files out of the application. */
export interface Handing {
  /** Where the server shows what it took in the place of something this device lacks; null where the device took it. */
  readonly shownAt: string | null;
  /** Whether it has left, and what went wrong, in words; nothing did where the person thought better of it. */
  hand(file: File): Promise<Handed>;
}

export interface Handed {
  readonly left: boolean;
  readonly trouble: string | null;
}

export const LEFT: Handed = { left: true, trouble: null };
export const notLeft = (trouble: string | null): Handed => ({ left: false, trouble });
