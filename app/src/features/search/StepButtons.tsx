import { useStore } from 'zustand';
import { useSession } from '@/session';
import { IconAction } from '@/ui';

/** From hit to hit. */
export function StepButtons({ onStep }: { onStep: (by: 1 | -1) => void }) {
  const { search } = useSession();
  const none = useStore(search.store, ({ hits }) => hits.length === 0);
  return (
    <>
      <IconAction
        icon="up"
        label="Hit before"
        keys="Shift F3"
        disabled={none}
        onPress={() => onStep(-1)}
      />
      <IconAction
        icon="down"
        label="Next hit"
        keys="F3"
        disabled={none}
        onPress={() => onStep(1)}
      />
    </>
  );
}
