import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { withFile } from './programs';

/** A PDF that a script beside this file has ReportLab write; the script is handed a path, and what it asks for. */
export const byReportlab = (script: string, ...asked: readonly string[]): Uint8Array =>
  withFile(new Uint8Array(), (path) => {
    const call = [join(__dirname, script), path, ...asked];
    const { status, stderr } = spawnSync('/usr/bin/python3', call, { encoding: 'utf8' });
    if (status !== 0) throw new Error(stderr);
    return new Uint8Array(readFileSync(path));
  });
