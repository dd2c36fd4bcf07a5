import { router, useLocalSearchParams } from 'expo-router';
import { useEffect } from 'react';
import { drawerFeature } from '@/features/drawer';
import { equationsFeature } from '@/features/equations';
import { fieldsFeature } from '@/features/fields';
import { figuresFeature } from '@/features/figures';
import { historyFeature } from '@/features/history';
import { inkFilesFeature } from '@/features/inkfiles';
import { markFilesFeature } from '@/features/markfiles';
import { inkingFeature } from '@/features/inking';
import { keepingFeature } from '@/features/keeping';
import { markListFeature } from '@/features/marklist';
import { notesFeature } from '@/features/notes';
import { offlineFeature } from '@/features/offline';
import { pageTextFeature } from '@/features/pagetext';
import { correctingFeature } from '@/features/correcting';
import { redactingFeature } from '@/features/redacting';
import { editionFeature } from '@/features/edition';
import { locksFeature } from '@/features/locks';
import { pagesFeature } from '@/features/pages';
import { placesFeature } from '@/features/places';
import { pickingFeature } from '@/features/picking';
import { picturesFeature } from '@/features/pictures';
import { practiceFeature } from '@/features/practice';
import { ReaderScreen } from '@/features/reader';
import { sendingFeature } from '@/features/sending';
import { aboutFeature } from '@/features/about';
import { aloudFeature } from '@/features/aloud';
import { contentsFeature } from '@/features/contents';
import { meaningFeature } from '@/features/meaning';
import { linksFeature } from '@/features/links';
import { searchFeature } from '@/features/search';
import { happenedFeature } from '@/features/happened';
import { hereFeature } from '@/features/here';
import { hintsFeature } from '@/features/hints';
import { stampsFeature } from '@/features/stamps';
import { typingFeature } from '@/features/typing';
import { viewFeature } from '@/features/view';
import { wordsFeature } from '@/features/words';
import { writingWindowFeature } from '@/features/writingwindow';
import { keepForOffline } from '@/remote';

/** What the reader can do. Of commands with one key the first that is able runs: what is in hand comes before the paper. */
const FEATURES = [
  keepingFeature,
  historyFeature,
  sendingFeature,
  inkingFeature,
  wordsFeature,
  figuresFeature,
  pickingFeature,
  markListFeature,
  notesFeature,
  happenedFeature,
  typingFeature,
  equationsFeature,
  fieldsFeature,
  picturesFeature,
  stampsFeature,
  drawerFeature,
  hereFeature,
  contentsFeature,
  searchFeature,
  linksFeature,
  correctingFeature,
  redactingFeature,
  aloudFeature,
  meaningFeature,
  pagesFeature,
  editionFeature,
  locksFeature,
  pageTextFeature,
  aboutFeature,
  placesFeature,
  viewFeature,
  inkFilesFeature,
  markFilesFeature,
  practiceFeature,
  offlineFeature,
  hintsFeature,
  writingWindowFeature,
];

const toDesk = (): void => (router.canGoBack() ? router.back() : router.replace('/'));

export default function ReadRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  useEffect(keepForOffline, []);
  return <ReaderScreen key={id} id={id} features={FEATURES} onBack={toDesk} />;
}
