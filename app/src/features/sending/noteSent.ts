import { mutate } from 'swr';
import { keepSent, type Sent } from '@/storage';

/** What the list of what was sent is asked for by. */
export const SENT_KEY = 'sent';

/** Writes down what has just left; whether storage took it. */
export async function noteSent(sent: Omit<Sent, 'at'>): Promise<boolean> {
  try {
    await keepSent({ ...sent, at: Date.now() });
    await mutate(SENT_KEY);
    return true;
  } catch (e) {
    console.warn('What was sent is not written down.', e);
    return false;
  }
}
