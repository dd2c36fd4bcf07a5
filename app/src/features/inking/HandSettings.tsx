import { useSettings } from '@/session';
import { Choices } from '@/ui';

/** Which hand writes, and what one finger does. */
export function HandSettings() {
  const { hand, setHand, fingers, setFingers, penSeen } = useSettings();
  const found = penSeen ? 'a pen was seen, so they move' : 'they write until a pen is seen';
  return (
    <>
      <Choices
        label="Writing hand"
        value={hand}
        onChange={setHand}
        choices={[
          { value: 'right', label: 'Right' },
          { value: 'left', label: 'Left' },
        ]}
      />
      <Choices
        label="One finger"
        value={fingers}
        onChange={setFingers}
        choices={[
          { value: 'write', label: 'Fingers write' },
          { value: 'move', label: 'Fingers move the page' },
          { value: 'found', label: `Found out by itself: ${found}` },
        ]}
      />
    </>
  );
}
