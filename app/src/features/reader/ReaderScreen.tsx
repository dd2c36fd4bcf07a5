import { type ReactNode, useCallback, useEffect } from 'react';
import { type Opened, type ReaderFeature, ReaderShell, type Shell, UNKEPT } from '@/shell';
import { OpenedDocument } from './OpenedDocument';

const BACK = 'Back to the desk';

/** Opens a document and puts a reader of these features around it. */
export function ReaderScreen(props: {
  id: string;
  features: readonly ReaderFeature[];
  onBack: () => void;
}) {
  const { id, features, onBack } = props;
  const leave = useCallback(
    (shell: Shell, anyway: boolean) => {
      const { first, beside } = shell.panes.store.getState().held;
      const isUnkept = [first, beside].some((pane) => pane?.session.store.getState().refused);
      if (isUnkept && !anyway) shell.openDialog(UNKEPT);
      else onBack();
    },
    [onBack],
  );
  const renderOther = useCallback(
    (other: string, show: (opened: Opened) => ReactNode, close: () => void) => (
      <OpenedDocument id={other} leave="Close this place" onLeave={close}>
        {show}
      </OpenedDocument>
    ),
    [],
  );
  return (
    <OpenedDocument id={id} leave={BACK} onLeave={onBack}>
      {(opened) => (
        <Titled title={opened.session.desk.title}>
          <ReaderShell {...opened} features={features} renderOther={renderOther} onLeave={leave} />
        </Titled>
      )}
    </OpenedDocument>
  );
}

/** While it is shown the window is called by the document's title. */
function Titled({ title, children }: { title: string; children: ReactNode }) {
  useEffect(() => {
    document.title = `${title} · Marginalis`;
    return () => {
      document.title = 'Marginalis';
    };
  }, [title]);
  return children;
}
