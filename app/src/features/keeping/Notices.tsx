import { useSession, useSessionState } from '@/session';
import { Action, Notice } from '@/ui';
import { UndoOffer } from './UndoOffer';

/** Sentences about the state of the document that a person must see. */
export function Notices() {
  const session = useSession();
  const writable = useSessionState((s) => s.writable);
  const phase = useSessionState((s) => s.phase);
  const trouble = useSessionState((s) => s.trouble);
  const remedy = useSessionState((s) => s.remedy);
  const refused = useSessionState((s) => s.refused);
  const newer = useSessionState((s) => s.newer);
  const damaged = useSessionState((s) => s.damaged);
  const task = useSessionState((s) => s.task);
  return (
    <>
      {task && (
        <Notice text={task.text}>
          <Action onPress={task.stop}>Stop</Action>
        </Notice>
      )}
      {newer && (
        <Notice text="A newer version of Marginalis has worked on this document. Here it can be read, not changed: what this version does not know stays as it is. Load the page again to get the newer version." />
      )}
      {phase === 'open' && !writable && !newer && (
        <Notice text="Another tab is writing on this document; here it can only be read.">
          <Action onPress={session.askForTurn}>Write here instead</Action>
        </Notice>
      )}
      {refused && (
        <Notice text="The last changes are not stored yet: the browser’s storage is full or out of reach. They are held in this tab and tried again and again. Send a copy, or free some space.">
          <Action onPress={session.retry}>Try again</Action>
        </Notice>
      )}
      <UndoOffer />
      {trouble && (
        <Notice text={trouble} onClose={session.notices.forgetTrouble}>
          {remedy && (
            <Action
              onPress={() => {
                session.notices.forgetTrouble();
                remedy.run();
              }}
            >
              {remedy.text}
            </Action>
          )}
        </Notice>
      )}
      {damaged > 0 && (
        <Notice
          text={`${damaged === 1 ? 'One stored change' : `${damaged} stored changes`} could not be read and may be missing. Everything else is here.`}
        />
      )}
    </>
  );
}
