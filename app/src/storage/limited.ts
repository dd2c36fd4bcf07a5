import { createAsyncStorage } from '@react-native-async-storage/async-storage';

/** Texts by key, of which those put last are kept; reading one changes nothing. */
export class LimitedStore {
  private readonly store;

  /** `most` texts are kept. */
  constructor(
    name: string,
    private readonly most: number,
  ) {
    this.store = createAsyncStorage(name);
  }

  get(key: string): Promise<string | null> {
    return this.store.getItem(TEXT + key);
  }

  async put(key: string, text: string): Promise<void> {
    await this.store.setItem(TEXT + key, text);
    const order = [...(await this.order()).filter((one) => one !== key), key];
    const gone = order.splice(0, Math.max(0, order.length - this.most));
    for (const old of gone) await this.store.removeItem(TEXT + old);
    await this.store.setItem(ORDER, JSON.stringify(order));
  }

  /** Keys, the one put last at the end; what is unreadable is begun anew. */
  private async order(): Promise<string[]> {
    try {
      const order: unknown = JSON.parse((await this.store.getItem(ORDER)) ?? '[]');
      return Array.isArray(order) ? order.filter((key) => typeof key === 'string') : [];
    } catch {
      return [];
    }
  }
}

/** The storage gives keys in their own order, not in the one they were put in. */
const ORDER = 'order';
const TEXT = 'text ';
