import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { LimitedStore } from './limited';

test('what was put longest ago goes, whatever it is called', async () => {
  const store = new LimitedStore('limited', 2);
  await store.put('z', 'first');
  await store.put('a', 'second');
  await store.put('z', 'again');
  await store.put('m', 'third');
  expect([await store.get('z'), await store.get('a'), await store.get('m')]).toEqual([
    'again',
    null,
    'third',
  ]);
});

test('an order that cannot be read is begun anew, and texts stay', async () => {
  const store = new LimitedStore('limited-damaged', 2);
  await store.put('a', 'one');
  await createAsyncStorage('limited-damaged').setItem('order', '{');
  await store.put('b', 'two');
  expect([await store.get('a'), await store.get('b')]).toEqual(['one', 'two']);
});
