import { EquationSetter, type EquationReply, type EquationRequest } from './equationSetter';
import { createEquationWorker } from './createWorker';

jest.mock('./createWorker');

/** A worker that answers when it is told to. */
class FakeWorker {
  onmessage: ((event: { data: EquationReply }) => void) | null = null;
  onerror: ((event: { preventDefault(): void }) => void) | null = null;
  readonly asked: EquationRequest[] = [];
  terminated = false;
  postMessage(request: EquationRequest): void {
    this.asked.push(request);
  }
  terminate(): void {
    this.terminated = true;
  }
  says(data: EquationReply): void {
    this.onmessage?.({ data });
  }
}

const workers: FakeWorker[] = [];
const OUTLINE = { width: 1, ascent: 1, descent: 0, pieces: [] };

beforeEach(() => {
  jest.useFakeTimers();
  workers.length = 0;
  jest.mocked(createEquationWorker).mockImplementation(() => {
    const worker = new FakeWorker();
    workers.push(worker);
    return worker as unknown as Worker;
  });
});
afterEach(() => jest.useRealTimers());

test('equations are set one after another, the same one once, and what is no longer wanted is not begun', async () => {
  const setter = new EquationSetter();
  const [a, again, b, c] = [setter.set('a'), setter.set('a'), setter.set('b'), setter.set('c')];
  expect(again).toBe(a);
  const [worker] = workers;
  expect(worker.asked).toEqual([]);
  worker.says({ is: 'ready' });
  expect(worker.asked).toEqual([{ tex: 'a', isInline: false }]);
  setter.forget('b');
  await expect(b).rejects.toThrow('no longer wanted');
  worker.says({ is: 'set', outline: OUTLINE });
  await expect(a).resolves.toEqual(OUTLINE);
  expect(worker.asked.map(({ tex }) => tex)).toEqual(['a', 'c']);
  worker.says({ is: 'refused', message: 'There is no command \\x.', place: { from: 0, to: 2 } });
  await expect(c).rejects.toMatchObject({ place: { from: 0, to: 2 } });
  // What was refused is tried again; what was set is kept.
  void setter.set('a');
  setter.set('c').catch(() => undefined);
  expect(worker.asked.map(({ tex }) => tex)).toEqual(['a', 'c', 'c']);
});

test('what takes too long is given up with its worker, and the next is set by another', async () => {
  const setter = new EquationSetter();
  const [bomb, next] = [setter.set('bomb'), setter.set('next')];
  workers[0].says({ is: 'ready' });
  const refused = expect(bomb).rejects.toThrow('takes too long');
  jest.advanceTimersByTime(4000);
  await refused;
  expect(workers[0].terminated).toBe(true);
  workers[1].says({ is: 'ready' });
  workers[1].says({ is: 'set', outline: OUTLINE });
  await expect(next).resolves.toEqual(OUTLINE);
});

test('a worker that does not come is told to all that wait', async () => {
  const setter = new EquationSetter();
  const both = [setter.set('a'), setter.set('b')].map((one) =>
    expect(one).rejects.toThrow('could not be loaded'),
  );
  workers[0].onerror?.({ preventDefault: () => undefined });
  await Promise.all(both);
  const later = setter.set('a');
  workers[1].says({ is: 'ready' });
  workers[1].says({ is: 'failed', message: 'out of memory' });
  await expect(later).rejects.toThrow('This cannot be set: out of memory');
});
