import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { canWriteWith, FIRST_ROLL, type Instrument, instrumentShape } from '@marginalis/core/marks';
import { array, boolean, type InferType, mixed, number, object, string } from 'yup';

const store = createAsyncStorage('marginalis-settings');

/** What files that leave are called, until somebody wants it otherwise. */
export const FIRST_NAMING = '{title}, {pages} – {kind}';

const settingsShape = object({
  roll: array(instrumentShape)
    .min(1)
    .required()
    .test('writes', 'nothing of the roll writes', (roll) => canWriteWith(roll as Instrument[])),
  hand: string()
    .oneOf(['right', 'left'] as const)
    .required(),
  inks: array(
    string()
      .matches(/^#[0-9a-f]{6}$/)
      .required(),
  )
    .max(24)
    .default([]),
  /** How figures that were read are made regular. */
  settle: object({ upright: boolean().default(true), meet: boolean().default(true) }),
  /** Lines grow wider with what is scaled. */
  widthFollows: boolean().default(false),
  /** Signs new marks; nobody when empty. */
  author: string().max(100).default(''),
  /** What one finger does: `found` is writing until a pen has been seen here, moving the paper from then on. */
  fingers: string()
    .oneOf(['found', 'write', 'move'] as const)
    .default('found'),
  /** A pen has touched this device, or hovered over it. */
  penSeen: boolean().default(false),
  /** What the person has been told once, by its id. */
  taught: array(string().max(40).required()).max(100).default([]),
  /** The address of a web search, with {words} for the words; none when empty. */
  searchAt: string().max(500).default(''),
  /** How paper is seen: as it is, tinted, or dark with light print. */
  look: string()
    .oneOf(['plain', 'sepia', 'night'] as const)
    .default('plain'),
  /** How documents are read aloud: by which voice (the browser's own when empty) and how fast, and the pacer's words a minute. */
  reading: object({
    voice: string().max(300).default(''),
    pace: number().min(0.5).max(2.5).default(1),
    wordsPerMinute: number().min(60).max(900).default(220),
  }),
  /** Signs put in from the sheet of symbols, the last first. */
  signs: array(string().max(8).required()).max(40).default([]),
  /** What was put at bare places of pages, by the ids of commands, the last first. */
  placed: array(string().max(40).required()).max(20).default([]),
  /** What was sent last: of which pages, as what, how, and where the notes of a copy stand. */
  sending: object({
    what: string()
      .oneOf(['whole', 'marked', 'here'] as const)
      .default('whole'),
    as: string()
      .oneOf(['fixed', 'living', 'pictures', 'markdown', 'table'] as const)
      .default('fixed'),
    notes: string()
      .oneOf(['beside', 'end', 'none'] as const)
      .default('end'),
    how: string()
      .oneOf(['download', 'share', 'clipboard', 'link', 'mail', 'print'] as const)
      .default('download'),
    picture: string()
      .oneOf(['png', 'jpeg'] as const)
      .default('png'),
    /** Pixels an inch. */
    dpi: number()
      .oneOf([96, 150, 300] as const)
      .default(150),
    /** Pages on a printed sheet, and whether there is room to write beside each. */
    perSheet: mixed<1 | 2 | 4>()
      .oneOf([1, 2, 4] as const)
      .default(1),
    room: boolean().default(false),
    /** Whether copies say who made marks and notes. */
    authors: boolean().default(true),
    /** Whether copies leave out what pages are cut down from. */
    withoutCut: boolean().default(false),
    /** Dots an inch that pictures in a copy keep at most; 0 for as many as they have. */
    smaller: mixed<0 | 96 | 150>()
      .oneOf([0, 96, 150] as const)
      .default(0),
    /** The pattern of what files are called that leave. */
    naming: string().max(200).default(FIRST_NAMING),
  }),
  /** Ids of instruments, the one in hand last first. */
  used: array(string().max(100).required()).max(100).default([]),
});

export type Settings = Omit<InferType<typeof settingsShape>, 'roll'> & {
  roll: readonly Instrument[];
};

export const FIRST_SETTINGS: Settings = {
  roll: FIRST_ROLL,
  hand: 'right',
  inks: [],
  settle: { upright: true, meet: true },
  widthFollows: false,
  author: '',
  fingers: 'found',
  penSeen: false,
  taught: [],
  searchAt: '',
  look: 'plain',
  reading: { voice: '', pace: 1, wordsPerMinute: 220 },
  signs: [],
  placed: [],
  sending: {
    what: 'whole',
    as: 'fixed',
    notes: 'end',
    how: 'download',
    picture: 'png',
    dpi: 150,
    perSheet: 1,
    room: false,
    authors: true,
    withoutCut: false,
    smaller: 0,
    naming: FIRST_NAMING,
  },
  used: [],
};

/** The person's settings; the first ones where none, or none that can be read, are kept. */
export async function readSettings(): Promise<Settings> {
  const text = await store.getItem('settings');
  if (text === null) return FIRST_SETTINGS;
  try {
    return settingsShape.validateSync(JSON.parse(text), { stripUnknown: true }) as Settings;
  } catch {
    // Settings of another version: starting afresh loses no mark.
    return FIRST_SETTINGS;
  }
}

export const keepSettings = (settings: Settings): Promise<void> =>
  store.setItem('settings', JSON.stringify(settings));

/** What was copied last, on any document; null when nothing was. */
export const readKeptClip = (): Promise<string | null> => store.getItem('clip');

export const keepClip = (clip: string): Promise<void> => store.setItem('clip', clip);
