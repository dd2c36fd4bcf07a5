import type { BitReader, BitWriter } from './bits.ts';
import { SampleCodecError } from './sampleCodecError.ts';

/** So many ones say that a number is written out. */
const ESCAPE = 18;
const WRITTEN_OUT = 48;
const MOST_SHIFT = 40;
/** What was seen longer ago counts for less. */
const MEMORY = 32;
const FIRST_SUM = 16;

/**
 * How large the numbers of one channel have been: adaptive Golomb–Rice coding, as in Weinberger, Seroussi and Sapiro,
 * "The LOCO-I lossless image compression algorithm" (2000): a number is its quotient by 2^k in ones and the rest in k bits,
 * with k from the mean of those before.
 */
export class RiceState {
  private sum = FIRST_SUM;
  private count = 1;

  private get shift(): number {
    let k = 0;
    for (let reach = this.count; reach < this.sum && k < MOST_SHIFT; reach *= 2) k++;
    return k;
  }

  private saw(value: number): void {
    this.sum += value;
    this.count++;
    if (this.count < MEMORY) return;
    this.sum = Math.floor(this.sum / 2);
    this.count = Math.floor(this.count / 2);
  }

  /** `value` is a whole number below 2^48, of either sign. */
  write(out: BitWriter, value: number): void {
    const folded = value < 0 ? -2 * value - 1 : 2 * value;
    const { shift } = this;
    const unit = 2 ** shift;
    const quotient = Math.floor(folded / unit);
    if (quotient < ESCAPE) {
      out.write(2 ** (quotient + 1) - 2, quotient + 1);
      out.write(folded - quotient * unit, shift);
    } else {
      out.write(2 ** ESCAPE - 1, ESCAPE);
      out.write(folded, WRITTEN_OUT);
    }
    this.saw(folded);
  }

  /** @throws SampleCodecError at the end of the bytes */
  read(from: BitReader): number {
    const { shift } = this;
    let quotient = 0;
    while (quotient < ESCAPE && from.read(1) === 1) quotient++;
    const folded =
      quotient === ESCAPE ? from.read(WRITTEN_OUT) : quotient * 2 ** shift + from.read(shift);
    if (!Number.isSafeInteger(folded))
      throw new SampleCodecError('The ink data holds a number that is too long.');
    this.saw(folded);
    return folded % 2 === 1 ? -(folded + 1) / 2 : folded / 2;
  }
}
