import { MOST_HANDED_OVER_BYTES } from '@marginalis/core/wire';
import { handOver, ServerError } from '@/remote';
import { sizeInWords } from '@/ui';
import { type Handing, LEFT, notLeft } from './handing';

/** What stands in, on the server, for something this device lacks. */
export const standIn = (address: string): Handing => ({
  shownAt: address,
  async hand(file) {
    if (file.size > MOST_HANDED_OVER_BYTES)
      return notLeft(
        `This file is larger than ${sizeInWords(MOST_HANDED_OVER_BYTES)}, the most that a stand-in takes. Download it instead.`,
      );
    try {
      await handOver(address, file);
      return LEFT;
    } catch (e) {
      if (e instanceof ServerError) return notLeft(e.message);
      throw e;
    }
  },
});
