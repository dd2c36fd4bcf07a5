import { FIRST_ROLL } from '@marginalis/core/marks';
import { settle } from '../testing/fakeLocks';
import { eraserOfRoll, instrumentInHand, usePenRoll } from './penRoll';

const roll = () => usePenRoll.getState();

test('an instrument taken is in hand; one changed stays changed in the next visit', async () => {
  await roll().load();
  expect(instrumentInHand().id).toBe(FIRST_ROLL[0].id);
  roll().choose('marking-pen');
  roll().change('marking-pen', { colour: '#0f7566', widthMm: 1.5, steadiness: 80, tidy: 'never' });
  roll().setHand('left');
  expect(instrumentInHand()).toMatchObject({ colour: '#0f7566', widthMm: 1.5 });
  await settle();
  usePenRoll.setState({ roll: FIRST_ROLL, hand: 'right', current: 'gone' });
  await roll().load();
  expect(roll().hand).toBe('left');
  expect(roll().roll.find((i) => i.id === 'marking-pen')).toMatchObject({
    steadiness: 80,
    tidy: 'never',
  });
  expect(roll().current).toBe(FIRST_ROLL[0].id);
});

test('a stylus turned round always finds an eraser', () => {
  expect(eraserOfRoll().kind).toBe('eraser');
  usePenRoll.setState({ roll: [FIRST_ROLL[0]] });
  expect(eraserOfRoll().kind).toBe('eraser');
  usePenRoll.setState({ current: 'nothing' });
  expect(instrumentInHand().id).toBe(FIRST_ROLL[0].id);
});
