import { listNotes, type NoteHit, notesSaying } from '@marginalis/core/derived';
import type { FindOptions } from '@marginalis/core/print';
import { useMemo } from 'react';
import { useSessionState } from '@/session';
import { HitGroup } from './HitGroup';

/** The notes that say what is looked for. */
export function NoteHits(props: { term: string; how: FindOptions; onGo: (hit: NoteHit) => void }) {
  const { term, how, onGo } = props;
  const notes = useSessionState((s) => listNotes(s.document));
  const hits = useMemo(() => notesSaying(notes, term, how), [notes, term, how]);
  return (
    <HitGroup
      label="In notes"
      said={hits.length === 1 ? 'In 1 note' : `In ${hits.length} notes`}
      hits={hits.map((hit) => ({
        key: hit.note.thread.id,
        sign: String(hit.note.number),
        name: `Note ${hit.note.number}`,
        quote: hit.quote,
        go: hit.note.about ? () => onGo(hit) : null,
      }))}
    />
  );
}
