import { readAnswers, ServerError } from '@/remote';
import { keepLinks, type KeptLink, readLinks } from '@/storage';
import type { DocumentSession } from './documentSession';
import { answersOnDesk, takeInAnswers } from './guestAnswers';

jest.mock('@/remote', () => ({
  ...jest.requireActual<object>('@/remote/server'),
  readAnswers: jest.fn(),
}));
jest.mock('@/storage', () => ({ keepLinks: jest.fn(), readLinks: jest.fn() }));

const link = (token: string, by: Partial<KeptLink> = {}): KeptLink => ({
  ...{ token, ownerKey: 'k', expiresAt: Date.now() + 1e6, fileName: 'a.pdf', locked: false },
  ...{ viewOnly: false, mayAnswer: true, answersTaken: 0, withdrawn: false },
  ...by,
});
const answer = (id: string, note: string) => ({ id, note, name: 'Ilka', text: `${id}!`, at: 9 });

let links: KeptLink[];
let answers: Record<string, ReturnType<typeof answer>[]>;
beforeEach(() => {
  (readLinks as jest.Mock).mockImplementation(async () => links);
  (keepLinks as jest.Mock).mockImplementation(async (_id: string, kept: KeptLink[]) => {
    links = kept;
  });
  (readAnswers as jest.Mock).mockReset().mockImplementation(async ({ token }: KeptLink) => {
    if (!(token in answers)) throw new ServerError('This link was withdrawn.', 410);
    return answers[token];
  });
});

/** A document with one note, and what is done to it. */
function session(writable = true) {
  const first = { id: 'r1', author: 'Mette', text: 'Neap?', madeAt: 1, editedAt: null };
  const thread = { id: 'n1', mark: 'm1', remarks: [first], settled: null, tags: [] };
  const state = { phase: 'open', writable, document: { threads: new Map([['n1', thread]]) } };
  const told: string[] = [];
  return {
    told,
    threads: () => state.document.threads,
    session: {
      desk: { id: 'd1' },
      store: { getState: () => state, subscribe: () => () => undefined },
      notices: { tell: (text: string) => told.push(text) },
      dispatch: ({ changes }: { changes: { id: string; after: typeof thread }[] }) => {
        state.document.threads = new Map(changes.map(({ id, after }) => [id, after]));
        return true;
      },
    } as unknown as DocumentSession,
  };
}

test('answers stand in the margin as a guest’s, once, whatever becomes of them there', async () => {
  links = [link('a'), link('b', { answersTaken: 1 })];
  answers = { a: [answer('x', 'n1'), answer('y', 'gone')], b: [answer('old', 'n1')] };
  const one = session();
  expect(await takeInAnswers(one.session)).toBe(1);
  expect(one.threads().get('n1')?.remarks.slice(1)).toEqual([
    { id: 'x', author: 'Ilka (guest)', text: 'x!', madeAt: 9, editedAt: null },
  ]);
  expect(one.told).toEqual(['A guest has answered a note.']);
  expect(links.map(({ answersTaken }) => answersTaken)).toEqual([2, 1]);

  const later = session();
  expect(await takeInAnswers(later.session)).toBe(0);
  answers.b.push(answer('new', 'n1'), answer('newer', 'n1'));
  expect(await takeInAnswers(later.session)).toBe(2);
  expect(later.told).toEqual(['Guests have answered 2 times.']);
});

test('links that are gone, over, or not to be answered are not asked, and stop nothing', async () => {
  links = [
    link('gone'),
    ...[link('w', { withdrawn: true }), link('over', { expiresAt: 5 })],
    ...[link('plain', { mayAnswer: false }), link('a')],
  ];
  answers = { a: [answer('x', 'n1')] };
  expect(await takeInAnswers(session().session)).toBe(1);
  expect((readAnswers as jest.Mock).mock.calls.map(([{ token }]) => token)).toEqual(['gone', 'a']);
});

test('a document that another tab writes on takes nothing in, and nothing is lost', async () => {
  links = [link('a')];
  answers = { a: [answer('x', 'n1')] };
  expect(await takeInAnswers(session(false).session)).toBe(0);
  expect(links[0].answersTaken).toBe(0);
  expect(await answersOnDesk(['d1'])).toEqual(new Map([['d1', 1]]));
});

test('without a server the desk knows of none, and who asks outright is told', async () => {
  links = [link('a')];
  (readAnswers as jest.Mock).mockRejectedValue(new ServerError('It cannot be reached.', 0));
  expect(await answersOnDesk(['d1'])).toEqual(new Map());
  await expect(takeInAnswers(session().session)).rejects.toThrow('It cannot be reached.');
});
