import { inOrder, marksOn, type Page } from '@marginalis/core/document';
import { kindFor } from '@marginalis/core/kinds';
import { inkName } from '@marginalis/core/marks';
import type { Told } from '@marginalis/core/print';
import { memo, useEffect, useState } from 'react';
import { usePageNames, useSession, useSessionState } from '@/session';
import { Area } from '@/ui';

/** The text of a page is read when it has been in sight for so long, ms: whoever leafs through needs none. */
const RESTS = 2_000;
/** More marks of a page are counted, not told one by one. */
const MOST_TOLD = 60;

/** There for those who read with a screen reader, and in nobody's way. */
const unseen = {
  position: 'absolute',
  width: 1,
  height: 1,
  overflow: 'hidden',
  clipPath: 'inset(50%)',
  whiteSpace: 'nowrap',
  pointerEvents: 'none',
} as const;

/** A page as text: its paragraphs and headings in reading order, and what is marked on it. */
export function PageText({ index }: { index: number }) {
  const page = useSessionState((s) => s.document.pages[index]);
  const nameOf = usePageNames();
  const [rested, setRested] = useState(false);
  useEffect(() => {
    const waiting = setTimeout(() => setRested(true), RESTS);
    return () => clearTimeout(waiting);
  }, []);
  const told = useTold(page, rested);
  if (!page) return null;
  return (
    <Area style={unseen} data-testid="page-text">
      {told.length > 0 && <Area>{`Text of page ${nameOf(index)}`}</Area>}
      <Texts told={told} />
      <Marks page={page} />
    </Area>
  );
}

/** The page as it is told, once it has rested. */
function useTold(page: Page | undefined, rested: boolean): readonly Told[] {
  const { print } = useSession();
  const [told, setTold] = useState<readonly Told[]>([]);
  useEffect(() => {
    if (!page || !rested) return undefined;
    let isGone = false;
    print.told(page).then(
      (read) => isGone || setTold(read),
      // Whoever selects or searches hears that a page cannot be read.
      () => undefined,
    );
    return () => {
      isGone = true;
    };
  }, [print, page, rested]);
  return told;
}

const Texts = memo(function Texts({ told }: { told: readonly Told[] }) {
  return told.map((one, k) => <Text key={k} told={one} />);
});

/** Headings of a page stand under the document's name and that of the page. */
const UNDER = 2;
const DEEPEST = 6;

function Text({ told }: { told: Told }) {
  if (told.is === 'paragraph') return <Area>{told.text}</Area>;
  if (told.is === 'picture') return <Area role="img" aria-label={told.text} />;
  if (told.is === 'list')
    return (
      <Area role="list">
        {told.items.map((item, k) => (
          <Area key={k} role="listitem">
            <Texts told={item} />
          </Area>
        ))}
      </Area>
    );
  return (
    <Area role="heading" aria-level={Math.min(DEEPEST, UNDER + Math.max(1, told.level))}>
      {told.text}
    </Area>
  );
}

function Marks({ page }: { page: Page }) {
  const marks = useSessionState((s) => marksOn(s.document, page.id));
  if (marks.size === 0 || marks.size > MOST_TOLD)
    return marks.size > 0 && <Area>{`${marks.size} marks on this page`}</Area>;
  return (
    <Area role="list" aria-label="Marks on this page">
      {inOrder(marks).map((mark) => {
        const { name, text } = kindFor(mark).words(mark);
        return (
          <Area key={mark.id} role="listitem">
            {[name, inkName(mark.style.colour), text].filter(Boolean).join(', ')}
          </Area>
        );
      })}
    </Area>
  );
}
