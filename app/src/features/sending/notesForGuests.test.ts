import { emptyDocument, pagesOfSource, type Thread } from '@marginalis/core/document';
import { box } from '@marginalis/core/geometry';
import { sharedNotesSchema } from '@marginalis/core/wire';
import { notesForGuests } from './notesForGuests';

const remark = { id: 'r', author: 'Mette', text: 'Neap?', madeAt: 1, editedAt: null };
const thread = (id: string, by: Partial<Thread> = {}): Thread => ({
  ...{ id, mark: 'gone', remarks: [remark], settled: null, tags: [] },
  ...by,
});

test('guests are told what is said and about what, and nothing of tasks and labels; long quotes are cut', () => {
  const sheet = { box: box(0, 0, 400, 400), rotate: 0 as const, userUnit: 1 };
  const document = {
    ...emptyDocument(pagesOfSource('a'.repeat(64), [sheet], String)),
    threads: new Map([
      ['n1', thread('n1', { was: 'w'.repeat(500), settled: { by: 'Jonas', at: 3 } })],
      ['n2', thread('n2', { tags: ['secret'] })],
    ]),
  };
  const notes = notesForGuests({ document, names: ['i'] });
  expect(notes).toEqual([
    {
      ...{ id: 'n1', page: '', quote: `${'w'.repeat(299)}…`, isSettled: true },
      said: [{ author: 'Mette', madeAt: 1, text: 'Neap?', isWritten: false }],
    },
    expect.objectContaining({ id: 'n2', quote: '', isSettled: false }),
  ]);
  expect(JSON.stringify(notes)).not.toContain('secret');
  expect(sharedNotesSchema.isValidSync(notes)).toBe(true);
});
