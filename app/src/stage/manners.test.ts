import {
  type Act,
  type Contact,
  type Device,
  Manners,
  PALM_TIME,
  SECOND_FINGER_TIME,
} from './manners';

/** One contact: `pen`, `touch 2`, `eraser` (the pen’s other end), `barrel`, `middle`, `right`; after so many ms. */
type Step = readonly [
  after: number,
  what: string,
  /** What it is for; `up` and `hover` are for nothing. */
  act: Act | 'up' | 'hover',
  /** What becomes of the fingers that were down. */
  others?: Act,
];

interface Case {
  readonly name: string;
  readonly device?: 'found' | 'write' | 'move';
  readonly penSeen?: boolean;
  readonly readOnly?: boolean;
  readonly space?: boolean;
  readonly steps: readonly Step[];
  /** What the device learned. */
  readonly learned?: readonly ('pen' | 'two')[];
}

const SOON = SECOND_FINGER_TIME - 50;
const LATE = SECOND_FINGER_TIME + 50;
const FAR = PALM_TIME + 1;

const CASES: readonly Case[] = [
  {
    name: 'a stylus writes; its eraser end and its barrel button rub out',
    steps: [
      [0, 'pen', 'write'],
      [90, 'pen', 'up'],
      [90, 'eraser', 'erase'],
      [90, 'eraser', 'up'],
      [90, 'barrel', 'erase'],
    ],
    learned: ['pen'],
  },
  {
    name: 'before a stylus was seen one finger writes and two move, which is told',
    steps: [
      [0, 'touch 1', 'write'],
      [SOON, 'touch 2', 'move', 'move'],
    ],
    learned: ['two'],
  },
  {
    name: 'a second contact long after the first is a palm and does not stop the writing',
    steps: [
      [0, 'touch 1', 'write'],
      [LATE, 'touch 2', 'ignore'],
    ],
  },
  {
    name: 'two fingers in one frame move the paper',
    steps: [
      [0, 'touch 1', 'write'],
      [0, 'touch 2', 'move', 'move'],
      [80, 'touch 1', 'up'],
      [0, 'touch 2', 'up'],
      [30, 'touch 3', 'write'],
    ],
    learned: ['two'],
  },
  {
    name: 'once a stylus has been seen, fingers move the paper for good',
    steps: [
      [0, 'pen', 'write'],
      [50, 'pen', 'up'],
      [FAR, 'touch 2', 'move'],
      [50, 'touch 2', 'up'],
      [600_000, 'touch 3', 'move'],
    ],
    learned: ['pen'],
  },
  {
    name: 'a stylus seen in another document, or on another day, counts',
    penSeen: true,
    steps: [[0, 'touch 1', 'move']],
  },
  {
    name: 'a stylus that only hovers counts, and keeps palms away',
    steps: [
      [0, 'pen', 'hover'],
      [100, 'touch 2', 'ignore'],
      [100, 'touch 2', 'up'],
      [FAR, 'touch 3', 'move'],
    ],
    learned: ['pen'],
  },
  {
    name: 'a stylus without hover: a palm before it writes nothing, one beside it nor after it',
    steps: [
      [0, 'touch 7', 'write'],
      [40, 'pen', 'write', 'ignore'],
      [20, 'touch 2', 'ignore'],
      [300, 'pen', 'up'],
      [PALM_TIME - 10, 'touch 3', 'ignore'],
      [20, 'touch 4', 'move'],
    ],
    learned: ['pen'],
  },
  {
    name: 'fingers that are to write do so beside a stylus, palms excepted',
    device: 'write',
    penSeen: true,
    steps: [
      [0, 'touch 1', 'write'],
      [200, 'touch 1', 'up'],
      [50, 'pen', 'write'],
      [50, 'touch 2', 'ignore'],
      [50, 'touch 2', 'up'],
      [50, 'pen', 'up'],
      [FAR, 'touch 3', 'write'],
      [SOON, 'touch 4', 'move', 'move'],
    ],
    learned: ['two'],
  },
  {
    name: 'fingers that are to move do so though no stylus was seen',
    device: 'move',
    steps: [
      [0, 'touch 1', 'move'],
      [20, 'touch 2', 'move'],
    ],
  },
  {
    name: 'a mouse writes with its left button; the middle one moves, the right one does nothing',
    penSeen: true,
    steps: [
      [0, 'mouse', 'write'],
      [50, 'mouse', 'up'],
      [0, 'middle', 'move'],
      [50, 'middle', 'up'],
      [0, 'right', 'ignore'],
    ],
  },
  { name: 'with space held a mouse moves', space: true, steps: [[0, 'mouse', 'move']] },
  {
    name: 'where nothing can be written everything moves the paper',
    readOnly: true,
    steps: [
      [0, 'pen', 'move'],
      [0, 'pen', 'up'],
      [FAR, 'mouse', 'move'],
      [0, 'mouse', 'up'],
      [0, 'touch 5', 'move'],
      [20, 'touch 6', 'move'],
    ],
    learned: ['pen'],
  },
];

const BUTTONS: Readonly<Record<string, Partial<Contact>>> = {
  eraser: { type: 'pen', button: 5, buttons: 32 },
  barrel: { type: 'pen', button: 2, buttons: 2 },
  middle: { type: 'mouse', button: 1, buttons: 4 },
  right: { type: 'mouse', button: 2, buttons: 2 },
};

function contactOf(what: string, time: number): Contact {
  const [type, id = '1'] = what.split(' ');
  return { id: Number(id), type, button: 0, buttons: 1, time, ...BUTTONS[type] };
}

test.each(CASES.map((c) => [c.name, c] as const))('%s', (_, c) => {
  const { device: fingers = 'found', readOnly = false, space = false, steps, learned = [] } = c;
  let penSeen = c.penSeen ?? false;
  const heard: string[] = [];
  const device: Device = {
    fingersWrite: () => fingers === 'write' || (fingers === 'found' && !penSeen),
    seePen: () => {
      if (!penSeen) heard.push('pen');
      penSeen = true;
    },
    seeTwo: () => heard.push('two'),
  };
  const manners = new Manners(
    () => space,
    () => !readOnly,
    device,
  );
  let time = 10_000;
  const down = new Set<number>();
  for (const [after, what, act, others] of steps) {
    time += after;
    const contact = contactOf(what, time);
    if (act === 'up') {
      manners.up(contact);
      down.delete(contact.id);
    } else if (act === 'hover') manners.penNear(time);
    else {
      const isDown = down.size > 0;
      const told = manners.down(contact);
      expect([what, told.act]).toEqual([what, act]);
      // A pen says so of fingers whether there are any or not.
      if (isDown) expect([what, told.others]).toEqual([what, others]);
      for (const id of down) expect(manners.actOf(id)).toBe(others ?? manners.actOf(id));
      if (contact.type === 'touch') down.add(contact.id);
    }
  }
  expect(heard).toEqual(learned);
});
