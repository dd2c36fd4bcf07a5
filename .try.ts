import { readFileSync } from 'node:fs';
import { inspectPdf, makeFixedCopy } from '@marginalis/core/pdf';
import { emptyDocument } from '@marginalis/core/document';
for (const f of process.argv.slice(2)) { const b=new Uint8Array(readFileSync(f)); let t=performance.now(); await inspectPdf(b); const a=performance.now()-t; t=performance.now(); await makeFixedCopy(b, emptyDocument([])); console.log(f,b.length,Math.round(a),Math.round(performance.now()-t)); }
