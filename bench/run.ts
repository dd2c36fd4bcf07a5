import { cpus, totalmem } from 'node:os';
import { figureTable } from './figures';
import { benchCarryOver } from './carryOver';
import { benchCopyNotes } from './copyNotes';
import { benchCopyReady, benchManyPages } from './copyReady';
import { benchFlatten } from './flatten';
import { benchInk } from './ink';
import { benchOpening } from './opening';
import { benchLengths } from './lengths';
import { benchLinks } from './links';
import { benchMemory } from './memory';
import { benchProof } from './proof';
import { tableOf } from './report';
import { listTable } from './list';
import { rubbingTable } from './rubbing';
import { notesTable } from './notes';
import { benchPages } from './pages';
import { placedTable } from './placed';
import { searchingTable } from './searching';
import { sizeTable } from './size';
import { steadinessTable } from './steadiness';
import { slowestTable } from './slowest';
import { typingTable } from './typing';
import { writingTable } from './writing';

/** npm run bench: everything, or the parts named: npm run bench -- ink flatten opening steadiness figures rubbing list writing slowest links lengths ready many-pages proof memory copy-notes searching typing notes placed pages carry size. */
const PARTS: Record<string, () => Promise<string> | string> = {
  ink: async () => tableOf(await benchInk()),
  flatten: async () => tableOf(await benchFlatten()),
  opening: async () => tableOf(await benchOpening()),
  steadiness: steadinessTable,
  figures: figureTable,
  rubbing: rubbingTable,
  list: listTable,
  writing: writingTable,
  slowest: slowestTable,
  links: async () => tableOf(await benchLinks()),
  lengths: async () => tableOf(await benchLengths()),
  proof: async () => tableOf(await benchProof()),
  ready: async () => tableOf(await benchCopyReady()),
  'many-pages': async () => tableOf([await benchManyPages()]),
  memory: async () => tableOf(await benchMemory()),
  pages: async () => tableOf(await benchPages()),
  carry: async () => tableOf(await benchCarryOver()),
  'copy-notes': async () => tableOf(await benchCopyNotes()),
  searching: searchingTable,
  typing: typingTable,
  notes: notesTable,
  placed: placedTable,
  size: sizeTable,
};

const wanted = process.argv.slice(2);
const unknown = wanted.filter((name) => !(name in PARTS));
if (unknown.length > 0) {
  console.error(
    `There is no bench called ${unknown.join(', ')}; there are ${Object.keys(PARTS).join(', ')}.`,
  );
  process.exit(1);
}
console.log(
  `Node ${process.versions.node}, ${cpus().length} cores, ${Math.round(totalmem() / 2 ** 30)} GiB`,
);
for (const [name, bench] of Object.entries(PARTS))
  if (wanted.length === 0 || wanted.includes(name)) console.log(`\n## ${name}\n\n${await bench()}`);
