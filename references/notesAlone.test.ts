import { spawnSync } from 'node:child_process';
import fc from 'fast-check';
import { notesMarkdown, type NoteRecord } from '../core/src/leaving';
import { plainRemark } from '../core/src/derived';

/** Notes alone as Markdown, as the reference implementation of CommonMark (cmark 0.30) reads them. */

interface Node {
  readonly tag: string;
  readonly text: string;
  readonly children: Node[];
}

const ENTITIES: Readonly<Record<string, string>> = { lt: '<', gt: '>', quot: '"', amp: '&' };
const unescaped = (text: string): string =>
  text.replace(/&(\w+);/g, (_, name: string) => ENTITIES[name]);

/** Its blocks. The program writes one node a tag, and text that is nothing but text. */
function readElsewhere(text: string): Node[] {
  const { status, stdout } = spawnSync('cmark', ['--to', 'xml'], { input: text, encoding: 'utf8' });
  expect(status).toBe(0);
  const root: Node = { tag: '', text: '', children: [] };
  const open = [root];
  for (const [, ends, tag, isWhole, said] of stdout.matchAll(
    /<(\/?)([a-z_]+)[^>]*?(\/?)>(?:([^<]*)<\/\2>)?/g,
  )) {
    if (ends) open.pop();
    else {
      const node = { tag, text: unescaped(said ?? ''), children: [] };
      open[open.length - 1].children.push(node);
      if (!isWhole && said === undefined) open.push(node);
    }
  }
  return root.children[0].children;
}

/** What is read there: text, with the ends of its lines. */
const saidIn = ({ children }: Node): string =>
  children
    .map((child) => {
      if (child.tag === 'text' || child.tag === 'code') return child.text;
      if (/break$/.test(child.tag)) return '\n';
      return saidIn(child) + (child.tag === 'paragraph' ? '\n\n' : '');
    })
    .join('');
const tagsIn = ({ tag, children }: Node): string[] => [tag, ...children.flatMap(tagsIn)];

/** Every space alike: where lines break is the document's, spaces at their ends are nobody's. */
const folded = (text: string): string => text.replace(/\s+/g, ' ').trim();
const bare = (text: string): string => folded(text.replace(/[*_]/g, ''));

const SIGNS =
  '# - + * _ ` > < & [ ] ( ) ! ~ | \\ : = 1. 2) ** *a* --- &amp; <b> ``` https://tides.example/a_b ines@field.example'.split(
    ' ',
  );
const said = fc
  .array(
    fc.oneof(
      fc.constantFrom(...SIGNS, '\n', '\n\n', ' ', '    ', 'tide', 'é', 'مد', '潮'),
      fc.string({ maxLength: 6 }),
    ),
    {
      maxLength: 24,
    },
  )
  // Control characters are not typed.
  .map((parts) =>
    parts
      .join('')
      .replace(/[\u0000-\u0009\u000b-\u001f\u007f-\u00a0]/g, '')
      .trim(),
  )
  .filter((text) => text !== '');
const note: fc.Arbitrary<NoteRecord> = fc.record({
  number: fc.integer({ min: 1, max: 99 }),
  page: fc.constant('iv'),
  quote: said,
  said: fc.array(
    fc.record({
      author: fc.constantFrom('', 'Ines *Mara*', '1. Teo'),
      madeAt: fc.constant(0),
      editedAt: fc.constant(null),
      text: said,
      written: fc.constant(false),
    }),
    { minLength: 1, maxLength: 3 },
  ),
  labels: fc.constant([]),
  task: fc.constant(null),
  settled: fc.constant(null),
});

test('whatever notes say is read as that: no list, heading, code or mark-up that is not theirs', () => {
  fc.assert(
    fc.property(note, (one) => {
      const text = notesMarkdown([one], { title: 'Tide *log*', when: () => 'then', task: String });
      const blocks = readElsewhere(text);
      const of = (tag: string): Node[] => blocks.filter((block) => block.tag === tag);
      expect(of('heading').map(saidIn)).toEqual([
        'Notes on Tide *log*',
        'Page iv',
        `${one.number}`,
      ]);
      expect(of('block_quote').map(saidIn).map(folded)).toEqual([folded(one.quote)]);
      const answers = of('list').flatMap(({ children }) => children.map(saidIn));
      const all = [
        of('paragraph')
          .map((block) => `${saidIn(block)}\n`)
          .join(''),
        ...answers,
      ];
      expect(all).toHaveLength(one.said.length);
      one.said.forEach((remark, k) => {
        const by = [remark.author, 'then'].filter(Boolean).join(', ');
        expect(bare(all[k])).toBe(bare(`${plainRemark(remark.text)} — ${by}`));
      });
      const tags = new Set(blocks.flatMap(tagsIn));
      for (const tag of [
        'html_block',
        'html_inline',
        'code_block',
        'code',
        'thematic_break',
        'image',
      ])
        expect(tags).not.toContain(tag);
    }),
    { numRuns: process.env.REFERENCES === 'all' ? 400 : 80, seed: 15 },
  );
});
