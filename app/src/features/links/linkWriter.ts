import { boundsOf } from '@marginalis/core/derived';
import { marksAt } from '@marginalis/core/editing';
import { boxOfPoints } from '@marginalis/core/geometry';
import { linkAt, linksOnPage } from '@marginalis/core/links';
import { wordAt } from '@/session';
import {
  areaWriter,
  type Hit,
  type InstrumentWriter,
  knownFileLinks,
  type Reader,
  type WritingTools,
} from '@/shell';
import { askAboutLink, askForLinks } from './asked';
import { placesOfWords } from './placesOf';

/** What is tapped within so much of a link or a mark is meant, CSS pixels. */
const NEAR = 6;

/** Puts a link over the area that is dragged, or over the mark or the word that is tapped; a link that is tapped is changed. */
export const linkWriter = (reader: Reader, tools: WritingTools): InstrumentWriter =>
  areaWriter(reader, tools, ({ hit, to }) => {
    if (to) askForLinks(reader, [{ page: hit.pageId, area: boxOfPoints([hit.user, to]) }]);
    else void askAt(reader, hit);
  });

async function askAt(reader: Reader, { index, pageId, user }: Hit): Promise<void> {
  const { session, stage, pictures } = reader;
  const { document } = session.store.getState();
  const page = document.pages[index];
  const reach = NEAR / stage.getCamera().zoom;
  const link = linkAt(linksOnPage(document, page, knownFileLinks(pictures, page)), user, reach);
  if (link) return askAboutLink(reader, link);
  const [mark] = marksAt(document, pageId, user, reach);
  if (mark) return askForLinks(reader, [{ page: pageId, area: boundsOf(mark), mark: mark.id }]);
  try {
    const word = await wordAt(session, page, user);
    if (word) askForLinks(reader, placesOfWords([{ page: pageId, ...word }]));
  } catch (e) {
    session.notices.tell(e instanceof Error ? e.message : String(e));
  }
}
