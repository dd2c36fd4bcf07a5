// The file that a script was given, opened with pdf.js, which runs nothing of it and says nothing.
import { readFileSync } from 'node:fs';

const pdfjs = await import('pdfjs-dist/legacy/build/pdf.mjs');

export const openGiven = () =>
  pdfjs.getDocument({
    data: new Uint8Array(readFileSync(process.argv[2])),
    isEvalSupported: false,
    verbosity: 0,
  }).promise;
