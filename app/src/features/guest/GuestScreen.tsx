import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { ActivityIndicator, useTheme } from 'react-native-paper';
import { Stage, StageProvider } from '@/stage';
import { EmptyScreen, Notice } from '@/ui';
import { GuestBar } from './GuestBar';
import { GuestEntry } from './GuestEntry';
import { OnPaper } from './OnPaper';
import { PageWords } from './PageWords';
import { type Shown, useShared } from './useShared';

/** What someone sees who was given a link: the pages with every mark, and what may be done with them. No account, nothing to install. */
export function GuestScreen({ token }: { token: string }) {
  const [visits, setVisits] = useState(0);
  // Who was let in begins anew.
  return <Visit key={visits} token={token} onLetIn={() => setVisits(visits + 1)} />;
}

function Visit({ token, onLetIn }: { token: string; onLetIn: () => void }) {
  const [trouble, setTrouble] = useState<string | null>(null);
  const state = useShared(token, setTrouble);
  switch (state.phase) {
    case 'asked':
      return <GuestEntry token={token} asks={state.asks} onLetIn={onLetIn} />;
    case 'loading':
      return (
        <View style={styles.waiting} aria-busy>
          <ActivityIndicator accessibilityLabel="Fetching the document" />
        </View>
      );
    case 'failed':
      return <EmptyScreen title="This document cannot be shown" text={state.message} />;
    case 'shown':
      return (
        <SharedPages token={token} shown={state.shown} trouble={trouble} onTrouble={setTrouble} />
      );
  }
}

function SharedPages(props: {
  token: string;
  shown: Shown;
  trouble: string | null;
  onTrouble: (message: string | null) => void;
}) {
  const { token, shown, trouble, onTrouble } = props;
  const { told, pages, drawn, served } = shown;
  const { colors } = useTheme();
  const mayCopy = told.view?.mayCopy ?? false;
  return (
    <StageProvider pages={pages}>
      <View role="main" style={[styles.screen, { backgroundColor: colors.background }]}>
        <GuestBar token={token} shown={shown} onTrouble={onTrouble} />
        {told.message !== '' && <SenderSays text={told.message} />}
        {trouble !== null && <Notice text={trouble} onClose={() => onTrouble(null)} />}
        <View style={styles.pages}>
          <Stage
            pictures={() => drawn}
            marks={null}
            label={`Pages of ${told.title}`}
            renderOnPage={
              mayCopy ? (index) => <PageWords token={token} index={index} /> : undefined
            }
          />
        </View>
        {served && <OnPaper mayPrint={told.view?.mayPrint ?? false} />}
      </View>
    </StageProvider>
  );
}

/** What the sender says to whoever opens the link, until it is put away. */
function SenderSays({ text }: { text: string }) {
  const [isAway, setAway] = useState(false);
  return isAway ? null : <Notice text={text} onClose={() => setAway(true)} />;
}

const styles = StyleSheet.create({
  waiting: { flex: 1, alignItems: 'center', justifyContent: 'center' },
  screen: { flex: 1 },
  pages: { flex: 1 },
});
