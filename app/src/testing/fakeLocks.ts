/** Web Locks and channels as browsers have them and jsdom has not; shared by all "tabs" of a test. */

interface Waiting {
  run(): Promise<void>;
}

export class FakeLocks {
  private held = new Set<string>();
  private queues = new Map<string, Waiting[]>();

  request = (
    name: string,
    options: { ifAvailable?: boolean; signal?: AbortSignal },
    work: (lock: object | null) => unknown,
  ): Promise<void> => {
    if (options.ifAvailable && this.held.has(name))
      return Promise.resolve(work(null)).then(() => undefined);
    return new Promise((resolve, reject) => {
      const waiting: Waiting = {
        run: async () => {
          this.held.add(name);
          try {
            await work({});
            resolve();
          } catch (e) {
            reject(e as Error);
          } finally {
            this.held.delete(name);
            void this.queues.get(name)?.shift()?.run();
          }
        },
      };
      if (!this.held.has(name)) void waiting.run();
      else this.queues.set(name, [...(this.queues.get(name) ?? []), waiting]);
      options.signal?.addEventListener('abort', () => {
        this.queues.set(
          name,
          (this.queues.get(name) ?? []).filter((w) => w !== waiting),
        );
        reject(new DOMException('Left the queue.', 'AbortError'));
      });
    });
  };
}

const open = new Map<string, Set<FakeChannel>>();

export class FakeChannel {
  onmessage: ((e: { data: unknown }) => void) | null = null;
  constructor(private readonly name: string) {
    open.set(name, (open.get(name) ?? new Set()).add(this));
  }
  postMessage(data: unknown): void {
    for (const other of open.get(this.name) ?? [])
      if (other !== this) queueMicrotask(() => other.onmessage?.({ data }));
  }
  close(): void {
    open.get(this.name)?.delete(this);
  }
}

/** Puts both in their places; tabs of earlier tests hear nothing any more. */
export function installFakeTabs(): void {
  open.clear();
  Object.defineProperty(navigator, 'locks', { value: new FakeLocks(), configurable: true });
  Object.assign(globalThis, { BroadcastChannel: FakeChannel });
}

/** Lets everything that is due happen. */
export async function settle(rounds = 30): Promise<void> {
  for (let i = 0; i < rounds; i++) await new Promise((resolve) => setTimeout(resolve, 1));
}
