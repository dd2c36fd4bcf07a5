import { useState } from 'react';
import { Text, useTheme } from 'react-native-paper';
import { useSessionState } from '@/session';
import { Area } from '@/ui';

const WORDS = { kept: 'Kept', keeping: 'Keeping …', unkept: 'Not kept' } as const;
type Answer = keyof typeof WORDS;

/** Said only after storage has answered. */
export function Saving() {
  const saving = useSessionState((s) => s.saving);
  const { colors } = useTheme();
  return (
    <Area style={place} data-testid="saving" data-saving={saving}>
      {(Object.keys(WORDS) as Answer[]).map((word) => (
        <Area key={word} aria-hidden style={{ ...words, opacity: word === saving ? 1 : 0 }}>
          <Text
            variant="bodySmall"
            numberOfLines={1}
            style={{ color: word === 'unkept' ? colors.error : colors.onSurfaceVariant }}
          >
            {WORDS[word]}
          </Text>
        </Area>
      ))}
      <Announced saving={saving} />
    </Area>
  );
}

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
const words = { position: 'absolute', inset: 0, willChange: 'opacity' } as const;
const unseen = {
  position: 'absolute',
  width: 1,
  height: 1,
  overflow: 'hidden',
  opacity: 0,
} as const;
