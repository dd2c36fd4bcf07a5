import { findMark, marksOn } from '@marginalis/core/document';
import { emptyText, removeMarks } from '@marginalis/core/editing';
import { asText, LONGEST_TEXT } from '@marginalis/core/kinds';
import { FIRST_ROLL } from '@marginalis/core/marks';
import { type TextBlock, textOfSpans } from '@marginalis/core/type';
import { DocumentSession } from '../../session/documentSession';
import { deskDocument } from '../../testing/deskDocument';
import { installFakeTabs, settle } from '../../testing/fakeLocks';
import { areTurned, turnLetters } from './turnLetters';
import { beginTyping, typingHeld } from './typingHeld';

jest.mock('@/stage', () => {
  // Lines of fourteen points; one sign that no face has.
  const set = ({ spans }: TextBlock) => {
    const text = spans.map((span) => span.text).join('');
    return { height: 14 * text.split('\n').length, missing: text.includes('漢') ? ['漢'] : [] };
  };
  return { pageFonts: { setBlock: set, settle: async (block: TextBlock) => set(block) } };
});

beforeEach(() => {
  jest.useRealTimers();
  installFakeTabs();
});

let count = 0;
async function begun() {
  const session = new DocumentSession(deskDocument({ id: `typing-${count++}` }));
  await settle();
  const { document } = session.store.getState();
  const mark = emptyText(document, {
    id: 't1',
    page: document.pages[0].id,
    instrument: FIRST_ROLL[10],
    at: { x: 50, y: 700 },
    angle: 0,
    width: 200,
    madeAt: 1,
  });
  return { session, mark, typing: beginTyping(session, mark, null) };
}
const kept = (session: DocumentSession) =>
  asText(findMark(session.store.getState().document, 't1'));
const said = (session: DocumentSession): string | null => {
  const mark = kept(session);
  return mark && textOfSpans(mark.block.spans);
};

test('a word is kept when it ends, the last one when the text is laid down; an empty one leaves nothing', async () => {
  const { session, typing } = await begun();
  for (const text of ['d', 'dr', 'dry']) typing.say(text);
  expect(said(session)).toBeNull();
  typing.say('dry ');
  expect(said(session)).toBe('dry ');
  for (const text of ['dry z', 'dry zo', 'dry zon', 'dry zone']) typing.say(text);
  expect(said(session)).toBe('dry ');
  typing.finish();
  expect(said(session)).toBe('dry zone');
  expect(typingHeld.getState().typing).toBeNull();
  expect(session.store.getState().begun).toBeNull();
  session.undo();
  expect(said(session)).toBe('dry ');
  session.undo();
  expect(said(session)).toBeNull();
});

test('while it is typed the mark is not shown, and is as high as its lines', async () => {
  const { session, typing } = await begun();
  typing.say('one\ntwo ');
  expect(kept(session)?.height).toBe(28);
  const { draft, document } = session.store.getState();
  const page = document.pages[0].id;
  expect(draft && marksOn(draft, page).size).toBe(0);
  typing.finish();
  expect(session.store.getState().draft).toBeNull();
});

test('undo takes back a word, after keeping the one that is typed; redo brings it again', async () => {
  const { session, typing } = await begun();
  typing.say('dry ');
  typing.say('dry zo');
  session.store.getState().begun?.takeBack();
  expect(textOfSpans(typing.mark.block.spans)).toBe('dry ');
  expect(typing.store.getState().caret).toBe(4);
  session.store.getState().begun?.redo?.();
  expect(textOfSpans(typing.mark.block.spans)).toBe('dry zo');
});

test('what the browser is putting together is no step, and is kept when the text is laid down', async () => {
  const { session, typing } = await begun();
  typing.say('dry ');
  for (const text of ['dry n', 'dry に', 'dry にほ']) typing.compose(text);
  expect(said(session)).toBe('dry ');
  typing.finish();
  expect(said(session)).toBe('dry にほ');
  session.undo();
  expect(said(session)).toBe('dry ');
});

test('no more is kept than a box holds, and nothing that cannot be seen: it could not be read again', async () => {
  const { session, typing } = await begun();
  const told = jest.spyOn(session.notices, 'tell');
  typing.say('dry\u0007 ');
  expect(said(session)).toBe('dry ');
  const { version } = typing.store.getState();
  typing.say(`dry ${'x'.repeat(LONGEST_TEXT)}`);
  expect(said(session)).toHaveLength(LONGEST_TEXT);
  expect(typing.store.getState().version).toBeGreaterThan(version);
  typing.put(0, 4, 'wet\r\nand more');
  expect(said(session)).toMatch(/^wet\nx/);
  expect(told).toHaveBeenCalledTimes(2);
});

test('a shortcut becomes its sign in a step of its own', async () => {
  const { session, typing } = await begun();
  typing.say('a -');
  typing.say('a ->');
  typing.takeShortcut({ from: 2, to: 4, sign: '→' }, 4);
  expect(said(session)).toBe('a →');
  session.store.getState().begun?.takeBack();
  expect(said(session)).toBe('a ->');
});

test('what is taken away meanwhile is empty in the field, and comes back when something is typed', async () => {
  const { session, typing } = await begun();
  typing.say('dry ');
  session.dispatch(removeMarks(session.store.getState().document, ['t1']));
  expect(textOfSpans(typing.mark.block.spans)).toBe('');
  typing.say('wet ');
  expect(said(session)).toBe('wet ');
});

test('another text lays this one down; a sign that no face has is said once', async () => {
  const { session, mark, typing } = await begun();
  const told = jest.spyOn(session.notices, 'tell');
  typing.say('漢 ');
  typing.say('漢 漢 ');
  expect(told).toHaveBeenCalledTimes(1);
  const other = beginTyping(session, { ...mark, id: 't2' }, null);
  expect(typingHeld.getState().typing).toBe(other);
  expect(said(session)).toBe('漢 漢 ');
  typing.finish();
  expect(typingHeld.getState().typing).toBe(other);
  other.finish();
});

test('letters that are turned before they are typed look so, and so do those that follow; elsewhere they look like what stands there', async () => {
  const { session, typing } = await begun();
  const parts = (): [string, boolean][] =>
    typing.mark.block.spans.map(({ text, style }) => [text, style.bold]);
  typing.say('low ');
  turnLetters(typing, 'bold', [4, 4]);
  expect(areTurned(typing, 'bold', [4, 4])).toBe(true);
  typing.say('low w');
  typing.say('low wa');
  expect(parts()).toEqual([
    ['low ', false],
    ['wa', true],
  ]);
  // Turned, and then gone on with elsewhere: nothing comes of it.
  turnLetters(typing, 'bold', [6, 6]);
  typing.goTo(2);
  expect(areTurned(typing, 'bold', [2, 2])).toBe(false);
  typing.say('loow wa');
  expect(parts()).toEqual([
    ['loow ', false],
    ['wa', true],
  ]);
  // What is selected is turned at once.
  turnLetters(typing, 'bold', [0, 4]);
  expect(parts()[0]).toEqual(['loow', true]);
  typing.finish();
  expect(said(session)).toBe('loow wa');
});
