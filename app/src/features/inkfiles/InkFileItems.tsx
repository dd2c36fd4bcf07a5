import { bringInInk } from '@marginalis/core/editing';
import { InkmlError, placeTraces, readInkml, writeInkml } from '@marginalis/core/formats';
import { Menu } from 'react-native-paper';
import { useSession, useSessionState } from '@/session';
import { useSight } from '@/stage';
import { download, paperIcon, pickFile } from '@/ui';

/** Ink as InkML, out of the document and into it. */
export function InkFileItems({ close }: { close: () => void }) {
  const session = useSession();
  const { current } = useSight();
  const writable = useSessionState((s) => s.writable);
  const { title } = session.desk;

  const takeOut = (): void => {
    close();
    const text = writeInkml(session.store.getState().document, title);
    download(new File([text], `${title}.inkml`, { type: 'application/inkml+xml' }));
  };
  const bringIn = async (): Promise<void> => {
    close();
    const file = await pickFile('.inkml,application/inkml+xml');
    if (!file) return;
    try {
      const { document } = session.store.getState();
      const traces = placeTraces(readInkml(await file.text()), document.pages, current);
      const incoming = traces.map(({ samples, nib, steadiness, straight, ...rest }) => ({
        ...rest,
        ink: { samples, nib, steadiness, straight },
      }));
      session.dispatch(bringInInk(document, incoming, () => crypto.randomUUID(), Date.now()));
    } catch (e) {
      if (!(e instanceof InkmlError)) throw e;
      session.tell(`${file.name}: ${e.message} Nothing was changed.`);
    }
  };

  return (
    <>
      <Menu.Item leadingIcon={paperIcon('download')} title="Ink as InkML" onPress={takeOut} />
      <Menu.Item
        leadingIcon={paperIcon('open')}
        title="Bring in ink"
        disabled={!writable}
        onPress={() => void bringIn()}
      />
    </>
  );
}
