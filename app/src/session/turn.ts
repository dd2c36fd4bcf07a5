import { array, object, string } from 'yup';

/**
 * One tab at a time writes on a document. The turn is a Web Lock: the browser gives it back by itself when
 * a tab dies. A tab that wants it asks over a channel; the holder finishes what it is keeping and yields.
 */
export interface Turn {
  /** Asks the holder to yield. */
  ask(): void;
  /** Gives the turn away, or stops waiting for it. */
  leave(): void;
  /** Tells the other tabs the lines of the journal that are new. */
  tell(lines: readonly string[]): void;
}

export interface TurnEvents {
  /** The turn is ours; nobody else writes until it is given away. */
  onTurn(): void;
  /** Another tab has it; this one only reads. */
  onWait(): void;
  /** Another tab asks for it. The turn is given away when the answer is true. */
  onAsked(): Promise<boolean>;
  /** The tab that writes has kept something new: these lines of the journal. */
  onNews(lines: readonly string[]): void;
}

const newsShape = object({ lines: array(string().required()).required() }).required();

/** The lines a tab tells of; null for anything else. */
const linesOf = (data: unknown): readonly string[] | null =>
  newsShape.isValidSync(data, { strict: true }) ? data.lines : null;

export function waitForTurn(documentId: string, events: TurnEvents): Turn {
  const name = `marginalis/${documentId}`;
  const channel = new BroadcastChannel(name);
  let giveAway: (() => void) | null = null;
  const stopWaiting = new AbortController();
  let left = false;

  function hold(): Promise<void> {
    if (left) return Promise.resolve();
    events.onTurn();
    return new Promise((resolve) => (giveAway = resolve));
  }

  /** Waits for the turn again and again: each time it has been given away, at the end of the queue. */
  async function takeTurns(): Promise<void> {
    await navigator.locks.request(name, { ifAvailable: true }, async (lock) => {
      if (lock) await hold();
    });
    while (!left) {
      events.onWait();
      await navigator.locks.request(name, { signal: stopWaiting.signal }, hold);
    }
  }

  channel.onmessage = ({ data }: MessageEvent<unknown>) => {
    const news = linesOf(data);
    if (news) events.onNews(news);
    if (data !== 'ask' || !giveAway) return;
    const yielding = giveAway;
    giveAway = null;
    void events.onAsked().then((willing) => {
      if (willing) yielding();
      else giveAway = yielding;
    });
  };

  if (typeof navigator.locks === 'undefined') events.onTurn();
  else
    takeTurns().catch((e: unknown) => {
      // Leaving while in the queue ends the request with an error; nothing else may.
      if (!left) throw e;
    });

  return {
    ask: () => channel.postMessage('ask'),
    tell: (lines) => channel.postMessage({ lines }),
    leave() {
      left = true;
      giveAway?.();
      stopWaiting.abort();
      channel.close();
    },
  };
}
