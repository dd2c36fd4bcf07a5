/** A drawing is more than paths that are filled and drawn: it is drawn as a picture instead. */
export class NotSimple extends Error {
  override readonly name = 'NotSimple';
  /** @param what it has that no graphic has */
  constructor(readonly what: string) {
    super(`The drawing has ${what}.`);
  }
}
