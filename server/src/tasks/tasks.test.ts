import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { MOST_SAID, MOST_TASKS, type SentTasks } from '@marginalis/core/wire';
import { Standing } from '../../testing/standing.ts';
import { trackerAt } from './tracker.ts';

const on = new Standing();
let elsewhere: Server | null = null;
beforeEach(() => on.open());
afterEach(async () => {
  elsewhere?.closeAllConnections();
  elsewhere?.close();
  elsewhere = null;
  await on.close();
});

const task = {
  id: 'n',
  number: 1,
  document: 'Rock-pool zones',
  kind: 'Correction',
  title: 'Count again',
  who: 'Teo',
  until: '2031-05-01',
  state: 'to-do',
  page: '2',
  about: '',
  says: 'Count again',
  picture: null,
  labels: ['Tides'],
  author: 'Ines Mara',
  madeAt: '2001-09-09T01:46:40.000Z',
  changedAt: '2001-09-09T01:46:40.000Z',
  doneAt: '',
};
const picture = { name: 'Cutting of page 2', type: 'image/jpeg', data: '/9j/4AAQ' };
const post = (body: unknown, type = 'application/json'): Promise<Response> =>
  fetch(`${on.base}/api/tasks`, {
    method: 'POST',
    headers: { 'content-type': type },
    body: typeof body === 'string' ? body : JSON.stringify(body),
  });
const messageOf = async (response: Response): Promise<[number, string]> => [
  response.status,
  ((await response.json()) as { message: string }).message,
];

/** A tracker that answers in one way. */
async function trackerThat(answers: Parameters<typeof createServer>[1]): Promise<string> {
  elsewhere = createServer(answers).listen(0);
  await new Promise((resolve) => elsewhere?.once('listening', resolve));
  return `http://localhost:${(elsewhere.address() as AddressInfo).port}/tasks`;
}

test('without a tracker nothing can be sent, and that is said', async () => {
  expect(await (await fetch(`${on.base}/api/tasks/tracker`)).json()).toEqual({ tracker: null });
  expect(await messageOf(await post({ tasks: [task] }))).toEqual([
    404,
    'No tracker is set on this server.',
  ]);
});

test('tasks go to the tracker that stands in; one that comes again takes the place of what was there', async () => {
  const send = (tasks: SentTasks): Promise<void> =>
    trackerAt(`${on.base}/stand-ins/tracker/tasks`).send(tasks);
  await on.restart({ tracker: { host: 'localhost', send } });
  expect(await (await post({ tasks: [task, { ...task, id: 'm', picture }] })).json()).toEqual({
    taken: 2,
  });
  expect((await post({ tasks: [{ ...task, state: 'done' }] })).status).toBe(200);
  const kept = await (await fetch(`${on.base}/stand-ins/tracker/tasks`)).json();
  expect(kept).toMatchObject({
    tasks: [
      { id: 'm', state: 'to-do', labels: ['Tides'], picture },
      { id: 'n', state: 'done' },
    ],
  });
});

test.each([
  ['nothing', {}],
  ['no task', { tasks: [] }],
  ['too many', { tasks: Array.from({ length: MOST_TASKS + 1 }, () => task) }],
  ['a task that says too much', { tasks: [{ ...task, says: 'x'.repeat(MOST_SAID + 1) }] }],
  ['a day that is none', { tasks: [{ ...task, until: 'tomorrow' }] }],
  ['a picture that is none', { tasks: [{ ...task, picture: { ...picture, type: 'text/html' } }] }],
  ['a picture of other signs', { tasks: [{ ...task, picture: { ...picture, data: '<svg>' } }] }],
  ['more than a task has', { tasks: [{ ...task, run: 'this' }] }],
  ['an address of its own', { tasks: [task], tracker: 'http://localhost/' }],
])('what is no list of tasks is refused and sent nowhere: %s', async (_, body) => {
  const send = jest.fn();
  await on.restart({ tracker: { host: 'tasks.example', send } });
  expect((await post(body)).status).toBe(400);
  expect(send).not.toHaveBeenCalled();
});

test('what is no JSON, or more than two megabytes, is refused', async () => {
  await on.restart({ tracker: { host: 'tasks.example', send: jest.fn() } });
  expect((await post('{"tasks": [')).status).toBe(400);
  expect((await post(`tasks=1`, 'text/plain')).status).toBe(400);
  expect((await post({ tasks: [task], pad: 'x'.repeat(2_100_000) })).status).toBe(413);
});

test.each([
  ['refuses', 'The tracker refused the tasks (status 403).'],
  ['leads elsewhere', 'The tracker did not answer. Try again later.'],
  ['is silent', 'The tracker did not answer. Try again later.'],
])('a tracker that %s: people are told', async (how, said) => {
  const address = await trackerThat((_req, res) => {
    if (how === 'refuses') res.writeHead(403).end();
    if (how === 'leads elsewhere') res.writeHead(302, { location: 'http://localhost:9/' }).end();
  });
  await on.restart({ tracker: trackerAt(address, 300) });
  expect(await messageOf(await post({ tasks: [task] }))).toEqual([502, said]);
  expect(on.reported).toEqual([]);
});

test('only an address of the web is a tracker’s', () => {
  for (const address of ['file:///etc/passwd', 'data:text/plain,x'])
    expect(() => trackerAt(address)).toThrow(RangeError);
  expect(() => trackerAt('tracker')).toThrow('Invalid URL');
});
