import { FIRST_ROLL } from '@marginalis/core/marks';
import { settle } from '../testing/fakeLocks';
import { eraserOfRoll, Hand } from './hand';
import { useSettings } from './settings';

const roll = () => useSettings.getState();

test('an instrument changed stays changed in the next visit', async () => {
  await roll().load();
  roll().change('marking-pen', { colour: '#0f7566', widthMm: 1.5, steadiness: 80, tidy: 'never' });
  roll().setHand('left');
  await settle();
  useSettings.setState({ roll: FIRST_ROLL, hand: 'right' });
  await roll().load();
  expect(roll().hand).toBe('left');
  expect(roll().roll.find((i) => i.id === 'marking-pen')).toMatchObject({
    steadiness: 80,
    tidy: 'never',
  });
});

test('each document has a pen of its own in hand; one that is gone is replaced by the first', () => {
  useSettings.setState({ roll: FIRST_ROLL });
  const [here, there] = [new Hand(), new Hand()];
  here.choose('marking-pen');
  expect([here.instrument().id, there.instrument().id]).toEqual(['marking-pen', 'fine-pen']);
  roll().change('marking-pen', { widthMm: 1.5 });
  expect(here.instrument()).toMatchObject({ widthMm: 1.5 });
  roll().remove('marking-pen');
  expect(here.instrument().id).toBe('fine-pen');
});

test('a touch that is awaited does what it is awaited for, once', () => {
  const hand = new Hand();
  const page = document.createElement('div');
  const touched: number[] = [];
  expect(hand.takeTouch(page, { clientX: 1, clientY: 2 })).toBe(false);
  hand.await({ text: 'Touch', act: (_, { clientX }) => touched.push(clientX) });
  expect(hand.takeTouch(page, { clientX: 3, clientY: 2 })).toBe(true);
  expect(hand.takeTouch(page, { clientX: 4, clientY: 2 })).toBe(false);
  expect(touched).toEqual([3]);
});

test('a stylus turned round always finds an eraser', () => {
  useSettings.setState({ roll: FIRST_ROLL });
  expect(eraserOfRoll().kind).toBe('eraser');
  useSettings.setState({ roll: [FIRST_ROLL[0]] });
  expect(eraserOfRoll().kind).toBe('eraser');
});
