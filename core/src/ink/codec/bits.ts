import { SampleCodecError } from './sampleCodecError.ts';

/** More bits are written and read in parts, so that each part is a small integer. */
const AT_ONCE = 20;

/** Writes bits, the highest of each number first, into bytes. */
export class BitWriter {
  private readonly bytes: number[] = [];
  private held = 0;
  private bits = 0;

  /** A number of `count` bits that is not negative; count 0–52. */
  write(value: number, count: number): void {
    if (count > AT_ONCE) {
      const part = 2 ** AT_ONCE;
      this.write(Math.floor(value / part), count - AT_ONCE);
      return this.write(value % part, AT_ONCE);
    }
    this.held = (this.held << count) | value;
    this.bits += count;
    while (this.bits >= 8) {
      this.bits -= 8;
      this.bytes.push(this.held >> this.bits);
      this.held &= (1 << this.bits) - 1;
    }
  }

  /** All bytes; the last is filled up with noughts. */
  done(): readonly number[] {
    if (this.bits > 0) this.write(0, 8 - this.bits);
    return this.bytes;
  }
}

/** Reads what a {@link BitWriter} wrote. */
export class BitReader {
  private held = 0;
  private bits = 0;

  constructor(
    private readonly bytes: Uint8Array,
    private at: number,
    private readonly end: number,
  ) {}

  /** How many bits are left. */
  get left(): number {
    return 8 * (this.end - this.at) + this.bits;
  }

  /** @throws SampleCodecError at the end of the bytes */
  read(count: number): number {
    if (count > AT_ONCE) return this.read(count - AT_ONCE) * 2 ** AT_ONCE + this.read(AT_ONCE);
    while (this.bits < count) {
      if (this.at >= this.end) throw new SampleCodecError('The ink data ends inside a number.');
      this.held = (this.held << 8) | this.bytes[this.at++];
      this.bits += 8;
    }
    this.bits -= count;
    const value = this.held >> this.bits;
    this.held &= (1 << this.bits) - 1;
    return value;
  }
}
