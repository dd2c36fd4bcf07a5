/** Thrown by `decodeSamples` when the bytes are not what `encodeSamples` wrote. */
export class SampleCodecError extends Error {
  override readonly name = 'SampleCodecError';
}
