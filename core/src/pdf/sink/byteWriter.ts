const ZERO = 48;
const MINUS = 45;
const FIRST_SIZE = 4096;
const NONE = new Uint8Array();

/** Collects the bytes of PDF operators; numbers are written without making strings of them. */
export class ByteWriter {
  /** Nothing is written on most pages. */
  private bytes = NONE;
  private length = 0;

  /** Operators hold no character beyond ASCII. */
  text(ascii: string): void {
    this.makeRoom(ascii.length);
    for (let i = 0; i < ascii.length; i++) this.bytes[this.length++] = ascii.charCodeAt(i);
  }

  byte(code: number): void {
    this.makeRoom(1);
    this.bytes[this.length++] = code;
  }

  /** A whole number of at most nine digits. */
  integer(value: number): void {
    this.makeRoom(11);
    let rest = value;
    if (rest < 0) {
      this.bytes[this.length++] = MINUS;
      rest = -rest;
    }
    let unit = 1;
    while (unit * 10 <= rest) unit *= 10;
    for (; unit >= 1; unit = Math.floor(unit / 10)) {
      const digit = Math.floor(rest / unit);
      this.bytes[this.length++] = ZERO + digit;
      rest -= digit * unit;
    }
  }

  get isEmpty(): boolean {
    return this.length === 0;
  }

  /** What was written so far; a view, valid until more is written. */
  view(): Uint8Array {
    return this.bytes.subarray(0, this.length);
  }

  private makeRoom(count: number): void {
    if (this.length + count <= this.bytes.length) return;
    const larger = new Uint8Array(Math.max(FIRST_SIZE, 2 * this.bytes.length, this.length + count));
    larger.set(this.view());
    this.bytes = larger;
  }
}
