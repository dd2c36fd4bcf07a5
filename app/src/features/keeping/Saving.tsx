import { memo, useState } from 'react';
import { Text, useTheme } from 'react-native-paper';
import { useSessionState } from '@/session';
import { Area } from '@/ui';

const WORDS = { kept: 'Kept', keeping: 'Keeping …', unkept: 'Not kept' } as const;
type Answer = keyof typeof WORDS;
const ANSWERS = Object.keys(WORDS) as Answer[];

/** Said only after storage has answered. */
export function Saving() {
  const saving = useSessionState((s) => s.saving);
  return (
    <Area style={place} data-testid="saving" data-saving={saving}>
      {ANSWERS.map((answer) => (
        <Words key={answer} answer={answer} isSaid={answer === saving} />
      ))}
      <Announced saving={saving} />
    </Area>
  );
}

/** One of the answers; what it looks like is worked out once, since it comes and goes with every stroke. */
const Words = memo(function Words({ answer, isSaid }: { answer: Answer; isSaid: boolean }) {
  return (
    <Area aria-hidden style={isSaid ? said : notSaid}>
      <Written answer={answer} />
    </Area>
  );
});

const Written = memo(function Written({ answer }: { answer: Answer }) {
  const { colors } = useTheme();
  const color = answer === 'unkept' ? colors.error : colors.onSurfaceVariant;
  return (
    <Text variant="bodySmall" numberOfLines={1} style={{ color }}>
      {WORDS[answer]}
    </Text>
  );
});

/** For those who hear it: what was answered, not that an answer is awaited, twice a stroke. */
function Announced({ saving }: { saving: Answer }) {
  const [answered, setAnswered] = useState(saving);
  if (saving !== 'keeping' && saving !== answered) setAnswered(saving);
  return (
    <Area role="status" style={unseen}>
      {WORDS[answered]}
    </Area>
  );
}

/** Of one size whatever it says: it changes twice a stroke, and the rest of the bar must not be laid out again. */
const place = { position: 'relative', contain: 'strict', width: 72, height: 18 } as const;
/** All of it is there; what is not so is not seen. Nothing is painted again when that changes. */
const said = { position: 'absolute', inset: 0, willChange: 'opacity', opacity: 1 } as const;
const notSaid = { ...said, opacity: 0 } as const;
const unseen = {
  position: 'absolute',
  width: 1,
  height: 1,
  overflow: 'hidden',
  opacity: 0,
} as const;
