import type { SentTasks } from '@marginalis/core/wire';

/** Thrown when the tracker did not take what was sent; the message is for people. */
export class TrackerRefused extends Error {
  override readonly name = 'TrackerRefused';
}

/** A tracker of another house. */
export interface Tracker {
  /** What people are told tasks go to. */
  readonly host: string;
  /** @throws TrackerRefused */
  send(tasks: SentTasks): Promise<void>;
}

/** How long a tracker is waited for, ms. */
const PATIENCE = 10_000;

/**
 * The tracker at an address: tasks are posted there as JSON. The address is set by whoever runs the server, and nobody else: a server that posted to
 * wherever guests ask it to would post into its own house.
 * @throws TypeError when it is no address, RangeError when it is none of the web
 */
export function trackerAt(address: string, patience = PATIENCE): Tracker {
  const url = new URL(address);
  if (!['https:', 'http:'].includes(url.protocol))
    throw new RangeError(`A tracker has an address of the web, not ${url.protocol}`);
  return {
    host: url.host,
    async send(tasks) {
      let response: Response;
      try {
        response = await fetch(url, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(tasks),
          // Elsewhere would be another address than the one that was set.
          redirect: 'error',
          signal: AbortSignal.timeout(patience),
        });
      } catch (e) {
        throw new TrackerRefused('The tracker did not answer. Try again later.', { cause: e });
      }
      // Its answer is not read: nothing of it is needed, however much it would be.
      await response.body?.cancel();
      if (!response.ok)
        throw new TrackerRefused(`The tracker refused the tasks (status ${response.status}).`);
    },
  };
}
