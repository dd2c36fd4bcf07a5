import { type Command, late, type Reader, type ReaderFeature } from '@/shell';
import { SearchSetting } from './SearchSetting';
import { wordChosen } from './wordChosen';

const MEANING = 'meaning';
const MeaningSheet = late(async () => (await import('./MeaningSheet')).MeaningSheet);

const commands = ({ session, shell }: Reader): readonly Command[] => [
  {
    id: MEANING,
    title: 'Meaning of the selected word',
    group: 'Marks',
    also: 'dictionary look up define',
    icon: 'meaning',
    keys: ['M'],
    forWords: 'Meaning',
    able: () => wordChosen(session.words.store.getState().parts) !== null,
    run: () => shell.openDialog(MEANING),
  },
];

/** What words mean. */
export const meaningFeature: ReaderFeature = {
  name: 'meaning',
  commands,
  dialogs: [{ id: MEANING, Content: MeaningSheet }],
  Settings: SearchSetting,
};
