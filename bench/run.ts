import { cpus, totalmem } from 'node:os';
import { benchFlatten } from './flatten';
import { benchInk } from './ink';
import { benchOpening } from './opening';
import { type Row, tableOf } from './report';

/** npm run bench: everything, or the parts named: npm run bench -- ink flatten opening. */
const PARTS: Record<string, () => Promise<Row[]>> = {
  ink: benchInk,
  flatten: benchFlatten,
  opening: benchOpening,
};

const wanted = process.argv.slice(2);
const unknown = wanted.filter((name) => !(name in PARTS));
if (unknown.length > 0) {
  console.error(
    `There is no bench called ${unknown.join(', ')}; there are ${Object.keys(PARTS).join(', ')}.`,
  );
  process.exit(1);
}
const rows: Row[] = [];
for (const [name, bench] of Object.entries(PARTS)) {
  if (wanted.length > 0 && !wanted.includes(name)) continue;
  console.log(`${name} …`);
  rows.push(...(await bench()));
}
console.log(
  `\nNode ${process.versions.node}, ${cpus().length} cores, ${Math.round(totalmem() / 2 ** 30)} GiB\n`,
);
console.log(tableOf(rows));
