import { appendFile } from 'node:fs/promises';
import { join } from 'node:path';
import { MOST_ANSWERS } from '@marginalis/core/wire';
import { DAY, type Made, PDF, QUERY, Standing } from '../../testing/standing.ts';
import { hashToken } from './tokens.ts';

const on = new Standing();
beforeEach(() => on.open());
afterEach(() => on.close());

const NOTES = [
  {
    id: 'n1',
    page: '3',
    quote: 'splash zone',
    isSettled: false,
    said: [{ author: 'Mette', madeAt: 5, text: 'Is that so at neap tide?', isWritten: false }],
  },
];

const asOwner = ({ ownerKey }: Made): { authorization: string } => ({
  authorization: `Bearer ${ownerKey}`,
});
const sendJson = (method: string, path: string, body: unknown, headers = {}): Promise<Response> =>
  fetch(on.base + path, {
    method,
    headers: { 'content-type': 'application/json', ...headers },
    body: JSON.stringify(body),
  });
const putNotes = (link: Made, notes: unknown = NOTES): Promise<Response> =>
  sendJson('PUT', `/api/links/${link.token}/notes`, notes, asOwner(link));
const answer = (token: string, said: object): Promise<Response> =>
  sendJson('POST', `/api/links/${token}/answers`, {
    note: 'n1',
    name: 'Ilka',
    text: 'Yes.',
    ...said,
  });
const json = async (path: string, headers = {}): Promise<unknown> =>
  (await fetch(on.base + path, { headers })).json();

async function answerable(): Promise<Made> {
  const query = new URLSearchParams({ ...Object.fromEntries(QUERY), mayAnswer: 'true' });
  const link = (await (await on.upload(PDF, query)).json()) as Made;
  expect((await putNotes(link)).status).toBe(204);
  return link;
}

test('guests are shown the notes and answer them; their owner hears it, in order and whole', async () => {
  const link = await answerable();
  const { token } = link;
  expect(await json(`/api/links/${token}`)).toMatchObject({ mayAnswer: true });
  expect(await json(`/api/links/${token}/notes`)).toEqual({ notes: NOTES, answers: [] });
  const odd = 'Sì – «ja» \n "\u2028" {}\\ 潮';
  expect((await answer(token, { text: odd })).status).toBe(201);
  on.now += 1000;
  expect((await answer(token, { name: ' Jonas ', text: ' Only there. ' })).status).toBe(201);
  const heard = (await json(`/api/links/${token}/answers`, asOwner(link))) as { at: number }[];
  expect(heard).toMatchObject([
    { note: 'n1', name: 'Ilka', text: odd, at: on.now - 1000 },
    { note: 'n1', name: 'Jonas', text: 'Only there.', at: on.now },
  ]);
  expect(await json(`/api/links/${token}/notes`)).toMatchObject({ answers: heard });
  await on.restart();
  expect(await json(`/api/links/${token}/answers`, asOwner(link))).toEqual(heard);
  expect(await on.links.held()).toBe(await on.counted());
});

test('only its owner puts notes beside a copy and reads all answers; nobody answers where that is not allowed', async () => {
  const link = await answerable();
  const other = await on.made();
  expect((await putNotes({ ...link, ownerKey: other.ownerKey })).status).toBe(403);
  for (const headers of [{}, asOwner(other)])
    expect(await on.status(`/api/links/${link.token}/answers`, { headers })).toBe(403);
  expect((await putNotes(other)).status).toBe(403);
  expect((await answer(other.token, {})).status).toBe(403);
  expect(await on.status(`/api/links/${other.token}/notes`)).toBe(403);
});

test.each([
  ['a note that is not there', { note: 'n9' }],
  ['no name', { name: '  ' }],
  ['a long name', { name: 'x'.repeat(61) }],
  ['nothing', { text: ' \n ' }],
  ['a long answer', { text: 'x'.repeat(2001) }],
  ['a list', { text: ['Yes.'] }],
  ['a number', { name: 7 }],
])('%s is refused, and nothing is kept', async (_what, said) => {
  const link = await answerable();
  expect((await answer(link.token, said)).status).toBe(400);
  expect(await json(`/api/links/${link.token}/answers`, asOwner(link))).toEqual([]);
});

test('notes that are none are refused, and the earlier ones stay', async () => {
  const link = await answerable();
  for (const notes of [{}, 'x', [{}], [{ ...NOTES[0], said: 'x' }]])
    expect((await putNotes(link, notes)).status).toBe(400);
  expect((await putNotes(link, [{ ...NOTES[0], quote: 'x'.repeat(2e6) }])).status).toBe(413);
  expect(await json(`/api/links/${link.token}/notes`)).toMatchObject({ notes: NOTES });
});

test('answers at once are all kept, up to as many as a link takes', async () => {
  const link = await answerable();
  const lines = Array.from({ length: MOST_ANSWERS - 20 }, (_, k) =>
    JSON.stringify({ id: `a${k}`, note: 'n1', name: 'Ilka', text: 'Yes.', at: k }),
  );
  for (const line of lines) await on.links.addAnswer(hashToken(link.token), line, MOST_ANSWERS);
  const all = await Promise.all(Array.from({ length: 30 }, () => answer(link.token, {})));
  expect(all.filter(({ status }) => status === 201)).toHaveLength(20);
  expect(all.filter(({ status }) => status === 409)).toHaveLength(10);
  const heard = (await json(`/api/links/${link.token}/answers`, asOwner(link))) as unknown[];
  expect(heard).toHaveLength(MOST_ANSWERS);
});

test('half a line that a crash has left takes no answer with it', async () => {
  const link = await answerable();
  await answer(link.token, { text: 'First.' });
  const name = (await on.names()).find((one) => one.endsWith('.answers')) ?? '';
  await appendFile(join(on.store, name), '{"id":"a","note":"n1","na');
  await on.restart();
  await answer(link.token, { text: 'Second.' });
  expect(await json(`/api/links/${link.token}/answers`, asOwner(link))).toMatchObject([
    { text: 'First.' },
    { text: 'Second.' },
  ]);
  expect(await on.links.held()).toBe(await on.counted());
});

test('with a link that is withdrawn its notes go, and in time what was answered', async () => {
  const link = await answerable();
  await answer(link.token, {});
  await on.withdraw(link.token, link.ownerKey);
  expect((await on.names()).filter((name) => name.endsWith('.notes'))).toEqual([]);
  expect((await answer(link.token, {})).status).toBe(410);
  await on.links.sweep(on.now + 60 * DAY);
  expect(await on.names()).toEqual([]);
});
