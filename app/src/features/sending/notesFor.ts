import { listNotes, plainRemark, signPlace, writtenIn } from '@marginalis/core/derived';
import type { DocState } from '@marginalis/core/document';
import type { CopyNote } from '@marginalis/core/copy';
import { noteInWords } from '@/session';

/** The notes of a document as a copy tells them; `nameOf` says what a page, from 0, is called. */
export const notesFor = (document: DocState, nameOf: (page: number) => string): CopyNote[] =>
  listNotes(document).map((note) => {
    const { about, number } = note;
    const words = noteInWords(note, nameOf, document.tags);
    return {
      ...words,
      remarks: words.remarks.map(({ by, text }, k) => ({
        by,
        text: plainRemark(text),
        ink: writtenIn(note.thread.remarks[k]),
      })),
      number,
      picture: pictureOf(document, note.thread.task?.picture),
      place: about && { page: about.page, ...signPlace(about, document.pages[about.page]) },
    };
  });

function pictureOf({ attachments }: DocState, id = ''): CopyNote['picture'] {
  const picture = attachments.get(id);
  return picture ? { source: id, width: picture.width, height: picture.height } : null;
}
