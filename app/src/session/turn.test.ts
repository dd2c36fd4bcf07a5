import { installFakeTabs, settle } from '../testing/fakeLocks';
import { type Turn, waitForTurn } from './turn';

beforeEach(installFakeTabs);

interface Tab {
  readonly turn: Turn;
  readonly said: string[];
  willing: boolean;
}

function tab(document = 'd1'): Tab {
  const said: string[] = [];
  const made: { willing: boolean } = { willing: true };
  const turn = waitForTurn(document, {
    onTurn: () => said.push('turn'),
    onWait: () => said.push('wait'),
    onAsked: async () => {
      said.push('asked');
      return made.willing;
    },
    onNews: (lines) => said.push(`news ${lines.join()}`),
  });
  return Object.assign(made, { turn, said });
}

test('the first tab writes, the second reads', async () => {
  const a = tab();
  const b = tab();
  await settle();
  expect(a.said).toEqual(['turn']);
  expect(b.said).toEqual(['wait']);
});

test('tabs on different documents do not wait for each other', async () => {
  const a = tab('d1');
  const b = tab('d2');
  await settle();
  expect([a.said, b.said]).toEqual([['turn'], ['turn']]);
});

test('asking hands the turn over, there and back and there again', async () => {
  const a = tab();
  const b = tab();
  await settle();
  for (let i = 0; i < 3; i++) {
    b.turn.ask();
    await settle();
    expect(b.said.at(-1)).toBe('turn');
    expect(a.said.at(-1)).toBe('wait');
    a.turn.ask();
    await settle();
    expect(a.said.at(-1)).toBe('turn');
    expect(b.said.at(-1)).toBe('wait');
  }
});

test('a tab with something unstored keeps the turn', async () => {
  const a = tab();
  const b = tab();
  await settle();
  a.willing = false;
  b.turn.ask();
  await settle();
  expect(a.said).toEqual(['turn', 'asked']);
  expect(b.said).toEqual(['wait']);
  a.willing = true;
  b.turn.ask();
  await settle();
  expect(b.said.at(-1)).toBe('turn');
});

test('when the writing tab closes, the next in line writes', async () => {
  const a = tab();
  const b = tab();
  const c = tab();
  await settle();
  a.turn.leave();
  await settle();
  expect(b.said).toEqual(['wait', 'turn']);
  expect(c.said).toEqual(['wait']);
});

test('leaving while in the queue is no error, and nobody waits for the one who left', async () => {
  const a = tab();
  const b = tab();
  const c = tab();
  await settle();
  b.turn.leave();
  a.turn.leave();
  await settle();
  expect(b.said).toEqual(['wait']);
  expect(c.said.at(-1)).toBe('turn');
});

test('news reaches the tabs that read', async () => {
  const a = tab();
  const b = tab();
  await settle();
  a.turn.tell(['one', 'two']);
  await settle();
  expect(b.said.at(-1)).toBe('news one,two');
  expect(a.said.join()).not.toContain('news');
});
