import type { Vec } from '@marginalis/core/geometry';
import { attachPointers, DOT_TIME, type Writer } from './pointers';
import type { StageController } from './StageController';
import { type Follower, HOLD, Touches } from './touches';

/** What the writer was told, and how the paper moved. */
let said: string[];
let moved: { x: number; y: number };
let element: HTMLElement;
let detach: () => void;
let time: number;

const idOf = (e: PointerEvent): string => `${e.pointerType} ${e.pointerId}`;
const writer: Writer = {
  start: (e, act) => said.push(`start ${idOf(e)}${act === 'erase' ? ' erase' : ''}`),
  move: (e) => said.push(`move ${idOf(e)}`),
  end: (e) => said.push(`end ${idOf(e)}`),
  cancel: (keep) => said.push(keep ? 'cancel, keep' : 'cancel'),
  hover: () => undefined,
};
const stage = {
  locate: () => undefined,
  fromClient: (x: number, y: number) => ({ x, y }),
  pan: (x: number, y: number) => {
    moved = { x: moved.x + x, y: moved.y + y };
  },
  zoomTo: () => undefined,
  getCamera: () => ({ x: 0, y: 0, zoom: 1 }),
  grip: () => undefined,
  letGo: () => false,
  getView: () => ({ width: 800, height: 600 }),
  pageAt: (user: Vec) => ({ index: 0, user }),
  touches: new Touches(),
} as unknown as StageController;

/** A pointer event as the browser gives it; jsdom knows none. */
function point(type: string, kind: string, id: number, x = 0, y = 0, part = {}): void {
  time += 10;
  const event = new MouseEvent(`pointer${type}`, {
    bubbles: true,
    cancelable: true,
    clientX: x,
    clientY: y,
    buttons: 1,
    ...part,
  });
  const own = { pointerType: kind, pointerId: id, timeStamp: time };
  for (const [name, value] of Object.entries(own)) Object.defineProperty(event, name, { value });
  element.dispatchEvent(event);
}

beforeEach(() => {
  said = [];
  moved = { x: 0, y: 0 };
  time = 10_000;
  element = document.createElement('div');
  element.setPointerCapture = () => undefined;
  document.body.append(element);
  Object.assign(window, { matchMedia: () => ({ matches: true }) });
  let penSeen = false;
  ({ detach } = attachPointers(element, stage, () => writer, {
    fingersWrite: () => !penSeen,
    seePen: () => {
      penSeen = true;
    },
    seeTwo: () => undefined,
  }));
});
afterEach(() => {
  detach();
  element.remove();
});

test('a palm that comes down before the first pen writes nothing, and the pen’s stroke is whole', () => {
  point('down', 'touch', 7, 300, 300);
  point('move', 'touch', 7, 302, 300);
  point('down', 'pen', 1, 100, 100);
  point('move', 'pen', 1, 110, 100);
  point('move', 'touch', 7, 305, 300);
  point('up', 'touch', 7, 305, 300);
  point('up', 'pen', 1, 120, 100);
  expect(said).toEqual([
    'start touch 7',
    'move touch 7',
    'cancel',
    'start pen 1',
    'move pen 1',
    'end pen 1',
  ]);
  expect(moved).toEqual({ x: 0, y: 0 });
});

test('a palm that comes after the pen does nothing, and a finger later moves the paper', () => {
  point('down', 'pen', 1, 100, 100);
  point('down', 'touch', 7, 300, 300);
  point('move', 'touch', 7, 320, 300);
  point('up', 'pen', 1, 110, 100);
  point('up', 'touch', 7, 320, 300);
  time += 2_000;
  point('down', 'touch', 8, 300, 300);
  point('move', 'touch', 8, 310, 325);
  expect(said).toEqual(['start pen 1', 'end pen 1']);
  expect(moved).toEqual({ x: 10, y: 25 });
});

test('the short line of a first finger is dropped when a second comes to pinch', () => {
  point('down', 'touch', 1, 100, 100);
  point('move', 'touch', 1, 102, 100);
  point('down', 'touch', 2, 200, 100);
  point('move', 'touch', 2, 200, 120);
  expect(said).toEqual(['start touch 1', 'move touch 1', 'cancel']);
  expect(moved.y).toBe(10);
});

test('a pen that the system takes away keeps what it wrote; events of others are not drawn', () => {
  point('down', 'pen', 1, 100, 100);
  point('move', 'mouse', 2, 400, 400, { buttons: 0 });
  point('cancel', 'pen', 1);
  expect(said).toEqual(['start pen 1', 'cancel, keep']);
});

test('the eraser end and the barrel button rub out', () => {
  point('down', 'pen', 1, 0, 0, { buttons: 32, button: 5 });
  point('up', 'pen', 1);
  point('down', 'pen', 1, 0, 0, { buttons: 2, button: 2 });
  expect(said).toEqual(['start pen 1 erase', 'end pen 1', 'start pen 1 erase']);
});

test('a dot made just after a chip appeared is ink; pressed later, and with a finger, it is the chip’s', () => {
  const chip = document.createElement('button');
  chip.dataset.control = '';
  element.append(chip);
  const dot = (kind: string, age: number, part = {}): void => {
    chip.dataset.chip = String(time + 10 - age);
    const was = element;
    element = chip;
    point('down', kind, 1, 5, 5, part);
    point('up', kind, 1, 5, 5);
    element = was;
  };
  dot('pen', DOT_TIME + 1);
  dot('touch', 100);
  expect(said).toEqual([]);
  dot('pen', 300);
  expect(said).toEqual(['start pen 1', 'end pen 1']);
  dot('pen', DOT_TIME + 1, { button: 5, buttons: 32 });
  expect(said.slice(2)).toEqual(['start pen 1 erase', 'end pen 1']);
});

test('what is pressed on a chip is the chip’s; a pen that goes on through it writes from where it came down', () => {
  const chip = document.createElement('button');
  chip.dataset.chip = chip.dataset.control = '';
  element.append(chip);
  const onChip = (type: string, x: number): void => {
    const was = element;
    element = chip;
    point(type, 'pen', 1, x, 0);
    element = was;
  };
  onChip('down', 0);
  onChip('move', 3);
  expect(said).toEqual([]);
  onChip('move', 20);
  expect(said).toEqual(['start pen 1', 'move pen 1']);
});

test('a finger that moves the paper taps, once and again, or holds; what has taken it moves no paper', async () => {
  jest.useFakeTimers();
  point('down', 'pen', 1, 10, 10);
  point('up', 'pen', 1, 10, 10);
  time += 2_000;
  const { touches } = stage;
  const taps: number[] = [];
  const end = touches.tap((_, n) => taps.push(n) > 0);
  point('down', 'touch', 2, 100, 100);
  point('up', 'touch', 2, 103, 100);
  point('down', 'touch', 3, 104, 100);
  point('up', 'touch', 3, 104, 100);
  expect(taps).toEqual([1, 2]);
  point('down', 'touch', 4, 100, 100);
  point('move', 'touch', 4, 100, 140);
  point('up', 'touch', 4, 100, 140);
  expect(taps).toEqual([1, 2]);

  // What was asked of the next touch comes before all else a tap may mean.
  const first = touches.tap(() => true, true);
  point('down', 'touch', 5, 300, 300);
  point('up', 'touch', 5, 300, 300);
  expect(taps).toEqual([1, 2]);
  first();

  const followed: string[] = [];
  const follower: Follower = {
    move: () => followed.push('move'),
    end: () => followed.push('end'),
    cancel: () => followed.push('cancel'),
  };
  // Who is asked first looks at what is there, and finds nothing.
  const passOn = touches.hold(async () => null);
  const letGo = touches.hold(() => follower);
  const before = moved;
  point('down', 'touch', 5, 100, 100);
  await jest.advanceTimersByTimeAsync(HOLD + 1);
  point('move', 'touch', 5, 100, 200);
  point('up', 'touch', 5, 100, 200);
  expect(followed).toEqual(['move', 'end']);
  // A pinch holds nothing.
  point('down', 'touch', 6, 100, 100);
  point('down', 'touch', 7, 200, 100);
  await jest.advanceTimersByTimeAsync(HOLD + 1);
  expect(followed).toEqual(['move', 'end']);
  expect(moved).toEqual(before);
  point('up', 'touch', 6, 100, 100);
  point('up', 'touch', 7, 200, 100);
  // Lifted while somebody still looks: it holds nothing, and what it would have held is let go.
  const late = touches.hold(() => new Promise((found) => setTimeout(() => found(follower), 50)));
  passOn();
  letGo();
  point('down', 'touch', 8, 100, 100);
  await jest.advanceTimersByTimeAsync(HOLD + 1);
  point('up', 'touch', 8, 100, 100);
  await jest.advanceTimersByTimeAsync(60);
  expect(followed).toEqual(['move', 'end', 'cancel']);
  late();
  // A mouse asks once.
  const once = touches.hold(() => follower);
  const at = { index: 0, user: { x: 1, y: 1 } };
  await touches.holdBriefly({ ...at, event: new MouseEvent('pointerup') as PointerEvent });
  expect(followed).toEqual(['move', 'end', 'cancel', 'end']);
  once();
  end();
  jest.useRealTimers();
});
