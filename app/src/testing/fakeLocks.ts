/** Web Locks and channels as browsers have them and jsdom has not; shared by all "tabs" of a test. */

interface Request {
  readonly shared: boolean;
  run(): Promise<void>;
}

interface Options {
  readonly ifAvailable?: boolean;
  readonly mode?: 'shared' | 'exclusive';
  readonly signal?: AbortSignal;
}

type Work = (lock: object | null) => unknown;

export class FakeLocks {
  /** How often each name is held, and whether shared. */
  private held = new Map<string, { shared: boolean; count: number }>();
  private queues = new Map<string, Request[]>();

  private isFree(name: string, shared: boolean): boolean {
    const held = this.held.get(name);
    return !held || (shared && held.shared);
  }

  private release(name: string): void {
    const held = this.held.get(name);
    if (held && --held.count === 0) this.held.delete(name);
    const queue = this.queues.get(name) ?? [];
    while (queue.length > 0 && this.isFree(name, queue[0].shared)) void queue.shift()?.run();
  }

  request = (name: string, options: Options, work: Work): Promise<void> => {
    const shared = options.mode === 'shared';
    if (options.ifAvailable && !this.isFree(name, shared))
      return Promise.resolve(work(null)).then(() => undefined);
    return new Promise((resolve, reject) => {
      const asked: Request = {
        shared,
        run: async () => {
          const held = this.held.get(name);
          if (held) held.count++;
          else this.held.set(name, { shared, count: 1 });
          try {
            await work({});
            resolve();
          } catch (e) {
            reject(e as Error);
          } finally {
            this.release(name);
          }
        },
      };
      if (this.isFree(name, shared)) void asked.run();
      else this.queues.set(name, [...(this.queues.get(name) ?? []), asked]);
      options.signal?.addEventListener('abort', () => {
        const queue = this.queues.get(name) ?? [];
        if (!queue.includes(asked)) return;
        this.queues.set(
          name,
          queue.filter((w) => w !== asked),
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
