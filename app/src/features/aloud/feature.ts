import type { ReadingWay, WordEnd } from '@/session';
import { type Command, late, type Reader, type ReaderFeature } from '@/shell';
import { AloudStrip } from './AloudStrip';
import { placeInSight } from './placeInSight';
import { VOICES } from './ids';
import { ReadWords } from './ReadWords';

const VoiceSheet = late(async () => (await import('./VoiceSheet')).VoiceSheet);

function commands(reader: Reader): readonly Command[] {
  const { session, stage } = reader;
  const { aloud, words } = session;
  const start = (way: ReadingWay, from: WordEnd, until?: WordEnd): void =>
    void aloud.start(way, from, until);
  const chosen = (): { from: WordEnd; to: WordEnd } | null => {
    const { parts } = words.store.getState();
    const [first, last] = [parts[0], parts[parts.length - 1]];
    if (!first) return null;
    return {
      from: { page: stage.indexOf(first.page), place: first.range.from },
      to: { page: stage.indexOf(last.page), place: last.range.to },
    };
  };
  const withChosen = (act: (of: { from: WordEnd; to: WordEnd }) => void) => () => {
    const of = chosen();
    words.choose([]);
    if (of) act(of);
  };
  const some = (): boolean => words.store.getState().parts.length > 0;
  const isOn = (): boolean => aloud.store.getState().way !== null;
  return [
    {
      id: 'read-aloud',
      title: 'Read aloud from here',
      group: 'View',
      also: 'voice speak listen speech',
      icon: 'voice',
      keys: ['R'],
      run: () => void placeInSight(reader).then((from) => start('voice', from)),
    },
    {
      id: 'read-aloud-page',
      title: 'Read this page aloud',
      group: 'View',
      also: 'voice speak listen speech',
      icon: 'voice',
      run: () => {
        const page = stage.getSight().current;
        start('voice', { page, place: 0 }, { page, place: Infinity });
      },
    },
    {
      id: 'read-aloud-start',
      title: 'Read aloud from the start',
      group: 'View',
      also: 'voice speak listen speech',
      icon: 'voice',
      run: () => start('voice', { page: 0, place: 0 }),
    },
    {
      id: 'pacer',
      title: 'Pacer from here',
      group: 'View',
      also: 'reading speed words a minute guide silent',
      icon: 'pacer',
      keys: ['P'],
      run: () => void placeInSight(reader).then((from) => start('pacer', from)),
    },
    {
      id: 'read-on',
      title: 'Read aloud from the selected words on',
      group: 'Marks',
      icon: 'voice',
      forWords: 'Read on from here',
      able: some,
      run: withChosen(({ from }) => start('voice', from)),
    },
    {
      id: 'read-selection',
      title: 'Read the selected words aloud',
      group: 'Marks',
      icon: 'voice',
      forWords: 'Read these words aloud',
      able: some,
      run: withChosen(({ from, to }) => start('voice', from, to)),
    },
    {
      id: 'stop-reading',
      title: 'Stop reading aloud',
      group: 'View',
      keys: ['Escape'],
      able: isOn,
      run: aloud.stop,
    },
    {
      id: VOICES,
      title: 'Voice and pace',
      group: 'Settings',
      also: 'read aloud pacer speed language',
      icon: 'voice',
      run: () => reader.shell.openDialog(VOICES),
    },
  ];
}

/** Reading aloud, and the pacer. */
export const aloudFeature: ReaderFeature = {
  name: 'aloud',
  commands,
  dialogs: [{ id: VOICES, Content: VoiceSheet }],
  OnPage: ReadWords,
  Over: AloudStrip,
};
