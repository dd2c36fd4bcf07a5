import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { loadImage } from '@napi-rs/canvas';
import { PICTURE_WIDTHS } from '@marginalis/core/wire';
import { type Made, QUERY, Standing } from '../../testing/standing.ts';

const ZONES = readFileSync(join(__dirname, '../../../demo/documents/rock-pool-zones.pdf'));

const on = new Standing();
beforeEach(() => on.open());
afterEach(() => on.close());
afterAll(() => on.artist.close());

type Terms = Partial<Record<'asksName' | 'mayPrint' | 'mayCopy', 'true'>>;

const pictured = async (terms: Terms = {}, bytes: Buffer = ZONES): Promise<Made> => {
  const query = new URLSearchParams({ ...Object.fromEntries(QUERY), access: 'pictures', ...terms });
  return (await (await on.upload(bytes, query)).json()) as Made;
};
const get = (path: string, cookie = ''): Promise<Response> =>
  fetch(on.base + path, { headers: { cookie } });
const pageOf = (token: string, number: number | string = 1, width: number | string = 400): string =>
  `/api/links/${token}/pages/${number}?width=${width}`;

test('pages are told in size and given as pictures of the width that is asked for', async () => {
  const { token } = await pictured();
  const told = (await (await get(`/api/links/${token}`)).json()) as { view: unknown };
  expect(told.view).toEqual({ mayPrint: false, mayCopy: false });
  const sizes = (await (await get(`/api/links/${token}/pages`)).json()) as {
    width: number;
    height: number;
  }[];
  expect(sizes[0].width).toBeCloseTo(595, 0);
  const answer = await get(pageOf(token, sizes.length, 800));
  expect(answer.headers.get('content-type')).toBe('image/jpeg');
  expect(answer.headers.get('cache-control')).toBe('no-store');
  const picture = await loadImage(Buffer.from(await answer.arrayBuffer()));
  expect(picture.width).toBe(800);
  expect(picture.height / picture.width).toBeCloseTo(sizes[0].height / sizes[0].width, 2);
});

test('no address gives the file, by any way of asking', async () => {
  const { token, ownerKey } = await pictured({ mayPrint: 'true', mayCopy: 'true' });
  const { token: asked } = await pictured({ asksName: 'true' });
  const ways = ['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'OPTIONS', 'DELETE'];
  const ends = [
    '',
    '/',
    '/file',
    '/file/',
    '/file?keep',
    '/FILE',
    '/file.pdf',
    '//file',
    '/pages/../file',
    '/visit/../file',
    '/%66ile',
    '/file%00',
    '/openings',
    '/pages',
    '/pages/1',
    '/pages/1?width=2400',
    '/pages/1/words',
    '/pages/1/file',
    '/pages/file',
    '/visit',
  ];
  const paths = ['/api/links', '/s', '/links', ''].flatMap((at) =>
    [token, asked].flatMap((one) => ends.map((end) => `${at}/${one}${end}`)),
  );
  const files = (await on.names()).flatMap((name) => [
    `/${name}`,
    `/.links/${name}`,
    `/api/links/${name}`,
  ]);
  for (const path of [...paths, ...files])
    for (const method of ways) {
      // Its owner takes it back with that.
      const isOwner = method !== 'DELETE' && method !== 'PUT';
      const answer = await fetch(on.base + path, {
        method,
        headers: {
          accept: 'application/pdf',
          range: 'bytes=0-99',
          ...(isOwner && { authorization: `Bearer ${ownerKey}` }),
        },
      });
      const bytes = Buffer.from(await answer.arrayBuffer());
      expect([path, method, bytes.includes('%PDF')]).toEqual([path, method, false]);
      expect(answer.headers.get('content-type') ?? '').not.toContain('pdf');
      for (const piece of [ZONES.subarray(-64), ZONES.subarray(2000, 2064)])
        expect(bytes.includes(piece)).toBe(false);
    }
  expect(await on.status(`/api/links/${token}/file`)).toBe(403);
});

test('words are given where they may be copied, and nowhere else', async () => {
  const { token } = await pictured();
  expect(await on.status(`/api/links/${token}/pages/1/words`)).toBe(403);
  const { token: open } = await pictured({ mayCopy: 'true' });
  const { text } = (await (await get(`/api/links/${open}/pages/1/words`)).json()) as {
    text: string;
  };
  expect(text).toContain('zone');
  const plain = await on.made();
  for (const path of ['/pages', '/pages/1?width=400', '/pages/1/words'])
    expect(await on.status(`/api/links/${plain.token}${path}`)).toBe(404);
});

test('who is asked for a name sees nothing without it, and finds it on the pages', async () => {
  const { token } = await pictured({ asksName: 'true' });
  const refused = await get(pageOf(token));
  expect(refused.status).toBe(401);
  expect(await refused.json()).toMatchObject({ asks: { password: false, name: true } });
  const visit = (name: unknown): Promise<Response> =>
    fetch(`${on.base}/api/links/${token}/visit`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name }),
    });
  for (const name of ['', '  ', 7, 'two\nlines', 'x'.repeat(61)])
    expect((await visit(name)).status).toBe(400);
  const cookieOf = async (name: string): Promise<string> => {
    const answer = await visit(name);
    expect(answer.status).toBe(204);
    return (answer.headers.get('set-cookie') ?? '').split(';')[0];
  };
  const bytes = async (cookie: string): Promise<Buffer> => {
    const answer = await get(pageOf(token, 1, 1200), cookie);
    expect(answer.status).toBe(200);
    return Buffer.from(await answer.arrayBuffer());
  };
  const [one, other] = [await cookieOf('Ilka Brandt'), await cookieOf('نادية Ōta')];
  const [mine, again, theirs] = [await bytes(one), await bytes(one), await bytes(other)];
  expect(mine.equals(again)).toBe(true);
  expect(mine.equals(theirs)).toBe(false);
  // Another name in a cookie of one's own is not believed.
  const [until, , signature] = one.split('=')[1].split('.');
  const forged = `visit=${until}.${Buffer.from('Somebody else').toString('base64url')}.${signature}`;
  expect((await get(pageOf(token), forged)).status).toBe(401);
});

test('pages that are not there, and widths that are not offered, are refused', async () => {
  const { token } = await pictured();
  for (const number of [0, 99999, '1.5', '-1', 'x', '1e1', '0x1'])
    expect(await on.status(pageOf(token, number))).toBe(404);
  for (const width of ['', 0, 401, 100000, '400&width=800'])
    expect(await on.status(pageOf(token, 1, width))).toBe(400);
  expect(PICTURE_WIDTHS).toContain(400);
});

test('there is no link to what cannot be shown, its file is gone, and the next one is shown', async () => {
  const query = new URLSearchParams({ ...Object.fromEntries(QUERY), access: 'pictures' });
  const nothing = Buffer.from('%PDF-1.7\nnothing that anybody could draw');
  const answer = await on.upload(nothing, query);
  expect(answer.status).toBe(422);
  expect((await on.names()).filter((name) => name.endsWith('.pdf'))).toEqual([]);
  const { token: good } = await pictured();
  expect(await on.status(pageOf(good))).toBe(200);
});

test('a link that is renewed shows the new pages; one that is withdrawn shows none', async () => {
  const { token, ownerKey } = await pictured();
  const before = await (await get(`/api/links/${token}/pages`)).json();
  const handbook = readFileSync(join(__dirname, '../../../demo/documents/handbook.pdf'));
  const owner = { authorization: `Bearer ${ownerKey}` };
  const renewed = await fetch(`${on.base}/api/links/${token}/file?fileName=Handbook`, {
    method: 'PUT',
    headers: { ...owner, 'content-type': 'application/pdf' },
    body: handbook,
  });
  expect(renewed.status).toBe(200);
  expect(await (await get(`/api/links/${token}/pages`)).json()).not.toEqual(before);
  await on.withdraw(token, ownerKey);
  expect(await on.status(pageOf(token))).toBe(410);
});

test('that it was opened is counted once, not with every page', async () => {
  const { token, ownerKey } = await pictured();
  await get(`/api/links/${token}/pages`);
  await get(pageOf(token, 1));
  await get(pageOf(token, 2));
  const answer = await fetch(`${on.base}/api/links/${token}/openings`, {
    headers: { authorization: `Bearer ${ownerKey}` },
  });
  expect(((await answer.json()) as { count: number }).count).toBe(1);
});
