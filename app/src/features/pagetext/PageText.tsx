import { inkOf } from '@marginalis/core/derived';
import { inOrder, marksOn, type Page } from '@marginalis/core/document';
import { boxCentre } from '@marginalis/core/geometry';
import { kindFor } from '@marginalis/core/kinds';
import { inkName } from '@marginalis/core/marks';
import { type Told, toldNear } from '@marginalis/core/print';
import { Fragment, memo, useEffect, useMemo, useState } from 'react';
import { usePageNames, useSession, useSessionState } from '@/session';
import { Area, unseen } from '@/ui';

/** The text of a page is read when it has been in sight for so long, ms: whoever leafs through needs none. */
const RESTS = 2_000;
/** More marks of a page are counted, not told one by one. */
const MOST_TOLD = 60;

/** A page as text: its paragraphs, headings and lists in reading order, and each mark where it stands. */
export function PageText({ index }: { index: number }) {
  const page = useSessionState((s) => s.document.pages[index]);
  const nameOf = usePageNames();
  const [rested, setRested] = useState(false);
  useEffect(() => {
    const waiting = setTimeout(() => setRested(true), RESTS);
    return () => clearTimeout(waiting);
  }, []);
  const told = useTold(page, rested);
  const marks = useMarksTold(page, told);
  if (!page) return null;
  return (
    <Area style={unseen} data-testid="page-text">
      {told.length > 0 && <Area>{`Text of page ${nameOf(index)}`}</Area>}
      <Texts told={told} marks={marks.by} />
      <Marks texts={marks.elsewhere} />
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

/** What is said of marks, by the text that each stands on or beside; of those on a page without text, elsewhere. */
interface MarksTold {
  readonly by: ReadonlyMap<Told, readonly string[]>;
  readonly elsewhere: readonly string[];
}

function useMarksTold(page: Page | undefined, told: readonly Told[]): MarksTold {
  const marks = useSessionState((s) => page && marksOn(s.document, page.id));
  return useMemo(() => {
    const by = new Map<Told, string[]>();
    if (!marks || marks.size === 0) return { by, elsewhere: [] };
    if (marks.size > MOST_TOLD) return { by, elsewhere: [`${marks.size} marks on this page`] };
    const elsewhere: string[] = [];
    for (const mark of inOrder(marks)) {
      const kind = kindFor(mark);
      const { name, text } = kind.words(mark);
      const ink = inkOf(mark);
      const said = [name, ink && inkName(ink), text].filter(Boolean).join(', ');
      const near = toldNear(told, boxCentre(kind.roughBounds(mark)));
      if (near) by.set(near, [...(by.get(near) ?? []), said]);
      else elsewhere.push(said);
    }
    return { by, elsewhere };
  }, [marks, told]);
}

interface TextsProps {
  readonly told: readonly Told[];
  readonly marks: MarksTold['by'];
}

const Texts = memo(function Texts({ told, marks }: TextsProps) {
  return told.map((one, k) => (
    <Fragment key={k}>
      <Text told={one} marks={marks} />
      <Marks texts={marks.get(one) ?? NONE} />
    </Fragment>
  ));
});
const NONE: readonly string[] = [];

/** Headings of a page stand under the document's name and that of the page. */
const UNDER = 2;
const DEEPEST = 6;

function Text({ told, marks }: { told: Told; marks: MarksTold['by'] }) {
  if (told.is === 'paragraph') return <Area>{told.text}</Area>;
  if (told.is === 'picture') return <Area role="img" aria-label={told.text} />;
  if (told.is === 'list')
    return (
      <Area role="list">
        {told.items.map((item, k) => (
          <Area key={k} role="listitem">
            <Texts told={item} marks={marks} />
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

function Marks({ texts }: { texts: readonly string[] }) {
  return texts.map((text, k) => (
    <Area key={k} role="note" aria-label="Mark">
      {text}
    </Area>
  ));
}
