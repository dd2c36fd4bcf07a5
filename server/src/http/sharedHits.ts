import { createHash } from 'node:crypto';
import type { ClientRateLimitInfo, Options, Store } from 'express-rate-limit';
import type { Pool } from 'pg';

interface Hits {
  readonly count: number;
  readonly resets_at: Date;
}

/** Counts one more; what is over begins anew. */
const COUNT = `
insert into hits (key, count, resets_at) values ($1, 1, now() + $2 * interval '1 ms')
on conflict (key) do update set
  count = case when hits.resets_at <= now() then 1 else hits.count + 1 end,
  resets_at = case when hits.resets_at <= now() then excluded.resets_at else hits.resets_at end
returning count, resets_at`;

/** Requests counted in a database, so that several servers count them together; of whom they come is kept as a hash. */
export class SharedHits implements Store {
  readonly localKeys = false;
  readonly prefix: string;
  private windowMs = 0;

  constructor(
    private readonly pool: Pool,
    /** What is counted. */
    name: string,
  ) {
    this.prefix = name;
  }

  init({ windowMs }: Options): void {
    this.windowMs = windowMs;
  }

  private key = (who: string): string =>
    createHash('sha256').update(`${this.prefix}\n${who}`).digest('hex');

  async increment(who: string): Promise<ClientRateLimitInfo> {
    const { rows } = await this.pool.query<Hits>(COUNT, [this.key(who), this.windowMs]);
    return { totalHits: rows[0].count, resetTime: rows[0].resets_at };
  }

  async decrement(who: string): Promise<void> {
    await this.pool.query(
      'update hits set count = greatest(count - 1, 0) where key = $1 and resets_at > now()',
      [this.key(who)],
    );
  }

  async resetKey(who: string): Promise<void> {
    await this.pool.query('delete from hits where key = $1', [this.key(who)]);
  }
}
