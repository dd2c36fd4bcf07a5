import { listMarks, type TextHit, textsSaying } from '@marginalis/core/derived';
import type { FindOptions } from '@marginalis/core/print';
import { useMemo } from 'react';
import { usePageNames, useSessionState } from '@/session';
import { HitGroup } from './HitGroup';

/** The text boxes that say what is looked for. */
export function TextHits(props: { term: string; how: FindOptions; onGo: (hit: TextHit) => void }) {
  const { term, how, onGo } = props;
  const marks = useSessionState((s) => listMarks(s.document));
  const nameOf = usePageNames();
  const hits = useMemo(() => textsSaying(marks, term, how), [marks, term, how]);
  return (
    <HitGroup
      label="In typed text"
      said={hits.length === 1 ? 'In 1 text box' : `In ${hits.length} text boxes`}
      hits={hits.map((hit) => ({
        key: hit.row.mark.id,
        sign: nameOf(hit.row.page),
        name: `Text on page ${nameOf(hit.row.page)}`,
        quote: hit.quote,
        go: () => onGo(hit),
      }))}
    />
  );
}
