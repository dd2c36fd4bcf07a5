import { Menu } from 'react-native-paper';
import { useSession, useSessionState } from '@/session';
import { useSight } from '@/stage';
import { paperIcon, pickFile } from '@/ui';
import { bringInInkFile, takeOutInk } from './inkFiles';

/** Ink as InkML, out of the document and into it. */
export function InkFileItems({ close }: { close: () => void }) {
  const session = useSession();
  const { current } = useSight();
  const writable = useSessionState((s) => s.writable);
  const bringIn = async (): Promise<void> => {
    const file = await pickFile('.inkml,application/inkml+xml');
    if (file) await bringInInkFile(session, file, current);
  };
  return (
    <>
      <Menu.Item
        leadingIcon={paperIcon('download')}
        title="Ink as InkML"
        onPress={() => {
          close();
          void takeOutInk(session);
        }}
      />
      <Menu.Item
        leadingIcon={paperIcon('open')}
        title="Bring in ink"
        disabled={!writable}
        onPress={() => {
          close();
          void bringIn();
        }}
      />
    </>
  );
}
