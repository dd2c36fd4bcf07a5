import { type Contact, Manners, PALM_TIME, SECOND_FINGER_TIME } from './manners';

let time = 0;
let space = false;
let writable = true;
let manners: Manners;
beforeEach(() => {
  time = 10_000;
  space = false;
  writable = true;
  manners = new Manners(
    () => space,
    () => writable,
  );
});

const contact = (type: string, id = 1, part: Partial<Contact> = {}): Contact => ({
  id,
  type,
  button: 0,
  buttons: 1,
  time,
  ...part,
});
const down = (type: string, id = 1, part: Partial<Contact> = {}) =>
  manners.down(contact(type, id, part)).act;
const up = (type: string, id = 1) => manners.up({ id, type, time });

test('a stylus writes; its eraser end and its barrel button rub out', () => {
  expect(down('pen')).toBe('write');
  up('pen');
  expect(down('pen', 1, { button: 5, buttons: 32 })).toBe('erase');
  up('pen');
  expect(down('pen', 1, { button: 2, buttons: 2 })).toBe('erase');
});

test('before a stylus was seen one finger writes and two move', () => {
  expect(down('touch', 1)).toBe('write');
  time += SECOND_FINGER_TIME - 50;
  expect(manners.down(contact('touch', 2))).toEqual({ act: 'move', others: 'move' });
  expect(manners.actOf(1)).toBe('move');
});

test('a second contact long after the first is a palm and does not stop the writing', () => {
  expect(down('touch', 1)).toBe('write');
  time += SECOND_FINGER_TIME + 50;
  expect(manners.down(contact('touch', 2))).toEqual({ act: 'ignore' });
  expect(manners.actOf(1)).toBe('write');
});

test('once a stylus has been seen, fingers move the paper for good', () => {
  down('pen');
  up('pen');
  time += PALM_TIME + 1;
  expect(down('touch', 2)).toBe('move');
  up('touch', 2);
  time += 600_000;
  expect(down('touch', 3)).toBe('move');
});

test('while the stylus is down, or was a moment ago, other contacts are a resting palm', () => {
  down('touch', 7);
  expect(manners.down(contact('pen', 1)).others).toBe('ignore');
  expect(manners.actOf(7)).toBe('ignore');
  expect(down('touch', 2)).toBe('ignore');
  up('pen', 1);
  time += PALM_TIME - 10;
  expect(down('touch', 3)).toBe('ignore');
  time += 20;
  expect(down('touch', 4)).toBe('move');
});

test('a stylus that only hovers keeps palms away too', () => {
  manners.penNear(time);
  time += 100;
  expect(down('touch', 2)).toBe('ignore');
});

test('a mouse writes with its left button; middle button and space move the paper', () => {
  expect(down('mouse')).toBe('write');
  expect(down('mouse', 1, { button: 1, buttons: 4 })).toBe('move');
  expect(down('mouse', 1, { button: 2, buttons: 2 })).toBe('ignore');
  space = true;
  expect(down('mouse')).toBe('move');
});

test('where nothing can be written everything moves the paper', () => {
  writable = false;
  for (const type of ['pen', 'mouse']) expect(down(type)).toBe('move');
  time += PALM_TIME * 2;
  up('pen');
  time += PALM_TIME * 2;
  expect(down('touch', 5)).toBe('move');
});
