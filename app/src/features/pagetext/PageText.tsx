import { inOrder, marksOn, type Page } from '@marginalis/core/document';
import { kindFor } from '@marginalis/core/kinds';
import { inkName } from '@marginalis/core/marks';
import { type Paragraph, paragraphsOf } from '@marginalis/core/print';
import { memo, useEffect, useMemo, useState } from 'react';
import { usePageNames, usePagePrint, useSessionState } from '@/session';
import { useReader } from '@/shell';
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
  const print = usePagePrint(page, rested);
  const alternatives = useAlternatives(page, rested);
  const texts = useMemo(() => (print ? paragraphsOf(print) : []), [print]);
  if (!page) return null;
  return (
    <Area style={unseen} data-testid="page-text">
      <Texts texts={texts} name={nameOf(index)} />
      <Pictures texts={alternatives} />
      <Marks page={page} />
    </Area>
  );
}

const Texts = memo(function Texts({ texts, name }: { texts: readonly Paragraph[]; name: string }) {
  return (
    <>
      {texts.length > 0 && <Area>{`Text of page ${name}`}</Area>}
      {texts.map(({ text, heading }, k) =>
        heading ? (
          <Area key={k} role="heading" aria-level={3}>
            {text}
          </Area>
        ) : (
          <Area key={k}>{text}</Area>
        ),
      )}
    </>
  );
});

/** What the file says of the pictures of a page, once it has rested; empty where it says nothing. */
function useAlternatives(page: Page | undefined, rested: boolean): readonly string[] {
  const { pictures } = useReader();
  const [texts, setTexts] = useState<readonly string[]>([]);
  useEffect(() => {
    if (!page || !rested || 'paper' in page.shows) return undefined;
    let isGone = false;
    const { source, index } = page.shows;
    pictures(source)
      ?.guide.alternativesOn(index)
      .then(
        (read) => isGone || setTexts(read),
        // A page that cannot be read has no pictures to be told of.
        () => undefined,
      );
    return () => {
      isGone = true;
    };
  }, [pictures, page, rested]);
  return texts;
}

const Pictures = memo(function Pictures({ texts }: { texts: readonly string[] }) {
  return texts.map((text, k) => <Area key={k} role="img" aria-label={text} />);
});

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
