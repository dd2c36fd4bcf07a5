import { useEffect, useRef } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import type { KeptLink } from '@/storage';
import { Area } from '@/ui';
import { MadeLink } from './MadeLink';
import type { Links } from './useLinks';

/** The links to copies of a document. */
export function LinksMade(props: { links: Links; onRenew: (link: KeptLink) => void }) {
  const { links, onRenew } = props;
  const { made, attempts, trouble, withdraw } = links;
  const head = useRef<HTMLDivElement>(null);
  useEffect(() => {
    // The button has just been pressed at the foot of the sheet: what came of it is to be seen.
    if (attempts > 0) head.current?.scrollIntoView({ block: 'nearest' });
  }, [attempts]);
  const [newest, ...older] = made;
  const shown = (link: KeptLink) => (
    <MadeLink
      key={link.token}
      link={link}
      onWithdraw={() => void withdraw(link)}
      onRenew={() => onRenew(link)}
    />
  );
  return (
    <View style={styles.all}>
      <Area ref={head}>
        <View style={styles.all}>
          {trouble && <Text role="alert">{trouble}</Text>}
          {newest && shown(newest)}
        </View>
      </Area>
      {older.map(shown)}
    </View>
  );
}

const styles = StyleSheet.create({ all: { gap: 10 } });
