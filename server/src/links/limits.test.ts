import { readFile } from 'node:fs/promises';
import { DAY, type Made, PDF, QUERY, Standing } from '../../testing/standing.ts';
import { fitsPassword, hashPassword } from './passwords.ts';
import { TRIES } from './guestRoutes.ts';
import { VISIT } from './visits.ts';

const on = new Standing();
beforeEach(() => on.open());
afterEach(() => on.close());

const SECRET = 'wrack & tide – 7 °C';

const madeWith = async (password: string, query = QUERY): Promise<Response> =>
  fetch(`${on.base}/api/links?${query}`, {
    method: 'POST',
    headers: { 'content-type': 'application/pdf', 'link-password': encodeURIComponent(password) },
    body: PDF,
  });
const locked = async (): Promise<Made> => (await (await madeWith(SECRET)).json()) as Made;

const visit = (token: string, password: unknown): Promise<Response> =>
  fetch(`${on.base}/api/links/${token}/visit`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ password }),
  });
/** The cookie of a guest who was let in. */
const letIn = async (token: string): Promise<string> => {
  const answer = await visit(token, SECRET);
  expect(answer.status).toBe(204);
  return (answer.headers.get('set-cookie') ?? '').split(';')[0];
};
const statusAs = (path: string, cookie: string): Promise<number> =>
  on.status(path, { headers: { cookie } });

test('a link with a password tells nothing and gives nothing before it is given', async () => {
  const { token } = await locked();
  for (const path of [`/api/links/${token}`, `/api/links/${token}/file`]) {
    const answer = await fetch(on.base + path);
    expect(answer.status).toBe(401);
    expect(await answer.text()).not.toContain('Zones');
  }
  expect((await visit(token, 'wrack')).status).toBe(403);
  const cookie = await letIn(token);
  expect(await statusAs(`/api/links/${token}`, cookie)).toBe(200);
  expect(await statusAs(`/api/links/${token}/file`, cookie)).toBe(200);
});

test('a visit is kept from scripts and other sites, is good for its own link, and ends', async () => {
  const { token } = await locked();
  const answer = await visit(token, SECRET);
  const set = answer.headers.get('set-cookie') ?? '';
  expect(set).toMatch(/HttpOnly/);
  expect(set).toMatch(/SameSite=Strict/);
  expect(set).toContain(`Path=/api/links/${token}`);
  const cookie = set.split(';')[0];
  const other = await locked();
  expect(await statusAs(`/api/links/${other.token}/file`, cookie)).toBe(401);
  on.now += VISIT - 1;
  expect(await statusAs(`/api/links/${token}/file`, cookie)).toBe(200);
  on.now += 1;
  expect(await statusAs(`/api/links/${token}/file`, cookie)).toBe(401);
});

test.each([
  ['a longer time', (v: string) => v.replace(/\d+/, (n) => String(Number(n) + 1))],
  ['no signature', (v: string) => v.replace(/\..*/, '.')],
  [
    'another signature',
    (v: string) => v.replace(/.$/, (c) => (c === 'A' ? 'B' : 'A')).slice(0, -2),
  ],
  ['nothing at all', () => 'visit='],
])('a visit with %s is none', async (_what, forge) => {
  const { token } = await locked();
  const cookie = await letIn(token);
  expect(await statusAs(`/api/links/${token}/file`, forge(cookie))).toBe(401);
});

test('neither the password nor anything it could be read from is kept', async () => {
  await locked();
  for (const name of await on.names()) {
    const text = await readFile(`${on.store}/${name}`, 'utf8');
    expect(text).not.toContain(SECRET);
    expect(text).not.toContain(encodeURIComponent(SECRET));
  }
});

test('who guesses is stopped, even with the right one, and other links are not', async () => {
  const { token } = await locked();
  const guesses: number[] = [];
  for (let i = 0; i < TRIES.address; i++) guesses.push((await visit(token, `guess ${i}`)).status);
  expect(new Set(guesses)).toEqual(new Set([403]));
  expect((await visit(token, SECRET)).status).toBe(429);
  expect(await on.status(`/api/links/${(await on.made()).token}`)).toBe(200);
});

test('a password is the same however its letters are put together, and no other is', async () => {
  const stored = await hashPassword('ebbe und flut mü');
  expect(await fitsPassword('ebbe und flut mü'.normalize('NFD'), stored)).toBe(true);
  expect(await fitsPassword('ebbe und flut mu', stored)).toBe(false);
  expect(await fitsPassword('', stored)).toBe(false);
  expect(await hashPassword('ebbe und flut mü')).not.toBe(stored);
  for (const broken of ['', 'scrypt', 'plain:1:1:1:a:b', 'scrypt:::::'])
    expect(await fitsPassword('x', broken)).toBe(false);
});

test.each([
  ['short', 'five5'],
  ['endless', 'x'.repeat(201)],
])('a password that is %s makes no link', async (_what, password) => {
  expect((await madeWith(password)).status).toBe(400);
  expect(await on.names()).toEqual([]);
});

test('a password that cannot be read makes no link', async () => {
  const answer = await fetch(`${on.base}/api/links?${QUERY}`, {
    method: 'POST',
    headers: { 'content-type': 'application/pdf', 'link-password': '%zz' },
    body: PDF,
  });
  expect(answer.status).toBe(400);
});

const openings = async (token: string, key: string): Promise<Response> =>
  fetch(`${on.base}/api/links/${token}/openings`, { headers: { authorization: `Bearer ${key}` } });

test('its owner, and nobody else, learns how often and when a link was opened', async () => {
  const { token, ownerKey, expiresAt } = await on.made();
  expect((await openings(token, token)).status).toBe(403);
  const start = on.now;
  for (let i = 0; i < 3; i++) {
    await on.status(`/api/links/${token}/file`);
    on.now += 1000;
  }
  // Told about, or kept after it was shown: not opened.
  await on.status(`/api/links/${token}`);
  await on.status(`/api/links/${token}/file?keep`);
  const told = (await (await openings(token, ownerKey)).json()) as object;
  const times = [start + 2000, start + 1000, start];
  expect(told).toEqual({ expiresAt, withdrawn: false, count: 3, times });
  await on.restart();
  await on.withdraw(token, ownerKey);
  expect(await (await openings(token, ownerKey)).json()).toEqual({
    ...{ expiresAt, withdrawn: true, count: 3, times },
  });
  expect(await on.links.held()).toBe(await on.counted());
});

const renew = (token: string, key: string, body: RequestInit['body'] = NEWER): Promise<Response> =>
  fetch(`${on.base}/api/links/${token}/file?fileName=${encodeURIComponent('Newer.pdf')}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/pdf', authorization: `Bearer ${key}` },
    body,
    duplex: 'half',
  } as RequestInit);
const NEWER = Buffer.concat([PDF, Buffer.from('newer')]);
const bytesOf = async (token: string): Promise<Buffer> =>
  Buffer.from(await (await fetch(`${on.base}/api/links/${token}/file`)).arrayBuffer());

test('the same link is renewed with another copy, by its owner alone, whole or not at all', async () => {
  const { token, ownerKey } = await on.made();
  expect((await renew(token, token)).status).toBe(403);
  expect((await renew(token, ownerKey, 'no PDF')).status).toBe(415);
  expect(await bytesOf(token)).toEqual(PDF);
  expect((await renew(token, ownerKey)).status).toBe(200);
  expect(await bytesOf(token)).toEqual(NEWER);
  const told = (await (await fetch(`${on.base}/api/links/${token}`)).json()) as object;
  expect(told).toMatchObject({ fileName: 'Newer.pdf', size: NEWER.length });
  expect(await on.links.held()).toBe(await on.counted());
  on.now += 7 * DAY;
  expect((await renew(token, ownerKey)).status).toBe(410);
  expect(on.reported).toEqual([]);
});

test('a message comes with the link', async () => {
  const query = new URLSearchParams(QUERY);
  query.set('message', 'Look at the notes on zone 3.');
  const { token } = (await (await on.upload(PDF, query)).json()) as Made;
  const told = (await (await fetch(`${on.base}/api/links/${token}`)).json()) as object;
  expect(told).toMatchObject({ message: 'Look at the notes on zone 3.' });
  query.set('message', 'x'.repeat(1001));
  expect((await on.upload(PDF, query)).status).toBe(400);
});

test('an opening that cannot be written down is reported, and keeps no guest out', async () => {
  const { token } = await on.made();
  on.links.opened = () => Promise.reject(new Error('no space left'));
  expect(await on.status(`/api/links/${token}/file`)).toBe(200);
  expect(on.reported).toEqual([new Error('no space left')]);
});

test('who only asks whether a file is there has not opened it', async () => {
  const { token, ownerKey } = await on.made();
  expect(await on.status(`/api/links/${token}/file`, { method: 'HEAD' })).toBe(200);
  expect(await (await openings(token, ownerKey)).json()).toMatchObject({ count: 0 });
});

test('a link that is withdrawn while another copy comes stays withdrawn, and nothing of the copy is kept', async () => {
  const { token, ownerKey } = await on.made();
  let more: (() => void) | null = null;
  const waits = new Promise<void>((resolve) => {
    more = resolve;
  });
  const body = new ReadableStream({
    async start(controller) {
      controller.enqueue(Buffer.concat([PDF, Buffer.alloc(20_000)]));
      await waits;
      controller.enqueue(NEWER);
      controller.close();
    },
  });
  const before = await on.links.held();
  const renewing = renew(token, ownerKey, body);
  for (let i = 0; i < 200 && (await on.links.held()) === before; i++)
    await new Promise((r) => setTimeout(r, 10));
  expect(await on.withdraw(token, ownerKey)).toBe(204);
  (more as (() => void) | null)?.();
  expect((await renewing).status).toBe(410);
  expect(await on.status(`/api/links/${token}/file`)).toBe(410);
  expect((await on.names()).filter((name) => !name.endsWith('.json'))).toEqual([]);
  expect(await on.links.held()).toBe(await on.counted());
});

test('openings at the same time are all counted', async () => {
  const { token, ownerKey } = await on.made();
  await Promise.all(Array.from({ length: 8 }, () => on.status(`/api/links/${token}/file`)));
  expect(await (await openings(token, ownerKey)).json()).toMatchObject({ count: 8 });
  expect(await on.links.held()).toBe(await on.counted());
});
